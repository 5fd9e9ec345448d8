import { useState } from "react";
import { switchPotTest } from "../../../../core/electrics/index.ts";
import { Button } from "../../../ui/Button.tsx";
import { ChipsMany } from "../../../ui/Chips.tsx";
import { useJob } from "../../context.ts";
import type { KnownFind } from "../useFind.ts";
import { FigureField, figure, Instrument, worked } from "./Instrument.tsx";
import { useReading } from "./useReading.ts";

interface Noted {
  celsius: number;
  closed: boolean[];
}

export function Pot({ find }: { find: KnownFind }) {
  const { page } = useJob();
  const reading = useReading(find);
  const { fanOnC = [], fanOffC = [] } = page.card ?? {};
  const stages = fanOnC.map((onC, index) => ({ onC, offC: fanOffC[index] }));
  const names = stages.length > 1 ? ["low closed", "high closed"] : ["closed"];
  const [celsius, setCelsius] = useState("");
  const [closed, setClosed] = useState<string[]>([]);
  const [notes, setNotes] = useState<Noted[]>([]);
  const temperature = figure(celsius);
  const note = () => {
    setNotes([...notes, { celsius: temperature, closed: names.map((name) => closed.includes(name)) }]);
    setCelsius("");
  };
  const outcome = worked(notes.length > 1, () => {
    const { stages: judged, outcome: told, because } = switchPotTest(notes, { stages });
    const verdict =
      told === "within" ? ("pass" as const) : told === "not-seen" ? ("not-seen" as const) : ("fail" as const);
    return { verdict, because, told, judged };
  });
  const result = outcome && "result" in outcome ? outcome.result : undefined;
  if (stages.length === 0)
    return <p>The card doesn't say where this switch acts. Write it on the card first.</p>;
  return (
    <Instrument
      outcome={outcome}
      isBookable={find.mayBook}
      onBook={() =>
        result &&
        reading(
          "switch-pot",
          result.told === "not-seen" ? undefined : result.told,
          result,
          "Switch in the pot",
        )
      }
    >
      <FigureField label="Water" unit="°C" value={celsius} onChange={setCelsius} />
      <div className="flex flex-col gap-1">
        <span className="font-bold">Meter says</span>
        <ChipsMany label="Meter says" options={names} value={closed} onChange={setClosed} />
      </div>
      <Button className="mt-7" onClick={note} disabled={!Number.isFinite(temperature)}>
        Note it
      </Button>
      {notes.length > 0 && (
        <p className="figure basis-full">
          {notes
            .map(
              ({ celsius: at, closed: states }) =>
                `${at}° ${states.map((state) => (state ? "closed" : "open")).join("/")}`,
            )
            .join("  →  ")}{" "}
          <Button weight="quiet" className="px-1" onClick={() => setNotes(notes.slice(0, -1))}>
            Last one off
          </Button>
        </p>
      )}
    </Instrument>
  );
}
