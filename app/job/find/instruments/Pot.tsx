import { SHOWN, toShown } from "../../../../core/kernel/units/index.ts";
import { switchPotTest } from "../../../../core/trade/electrics/index.ts";
import { Button } from "../../../ui/Button.tsx";
import { ChipsMany } from "../../../ui/Chips.tsx";
import { celsiusOf, FigureField, Instrument, worked } from "../../instrument/Instrument.tsx";
import { useFields } from "../../instrument/useFields.ts";
import { CardLink } from "../../stage/CardLink.tsx";
import { useJob } from "../../stage/context.ts";
import type { KnownFind } from "../belief/useFind.ts";
import { useReading } from "./useReading.ts";

interface Noted {
  celsius: number;
  closed: boolean[];
}

export function Pot({ find }: { find: KnownFind }) {
  const { page, system } = useJob();
  const reading = useReading(find);
  const { fanOnC = [], fanOffC = [] } = page.card ?? {};
  const stages = fanOnC.map((onC, index) => ({ onC, offC: fanOffC[index] ?? undefined }));
  const names = stages.length > 1 ? ["low closed", "high closed"] : ["closed"];
  const { fields, change, put, clear } = useFields(`pot:${system}`, {
    celsius: "",
    closed: [] as string[],
    notes: [] as Noted[],
  });
  const { celsius, closed, notes } = fields;
  const temperature = celsiusOf(celsius, system);
  const note = () => {
    const noted = { celsius: temperature, closed: names.map((name) => closed.includes(name)) };
    change({ notes: [...notes, noted], celsius: "" });
  };
  const outcome = worked(notes.length > 1, () => {
    const { stages: judged, outcome: told, because } = switchPotTest(notes, { stages });
    const verdict =
      told === "within" ? ("pass" as const) : told === "not-seen" ? ("not-seen" as const) : ("fail" as const);
    return { verdict, because, told, judged };
  });
  const result = outcome && "result" in outcome ? outcome.result : undefined;
  if (stages.length === 0)
    return (
      <p>
        The card doesn't say where this switch acts. <CardLink vehicleId={page.vehicle.id} />
      </p>
    );
  return (
    <Instrument
      outcome={outcome}
      isBookable={find.mayBook}
      onClear={clear}
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
      <FigureField
        label="Water"
        unit={SHOWN.temperature[system].label}
        value={celsius}
        onChange={put("celsius")}
      />
      <div className="flex flex-col gap-1">
        <span className="font-bold">Meter says</span>
        <ChipsMany label="Meter says" options={names} value={closed} onChange={put("closed")} />
      </div>
      <Button className="mt-7" onClick={note} disabled={!Number.isFinite(temperature)}>
        Note it
      </Button>
      {notes.length > 0 && (
        <p className="figure basis-full">
          {notes
            .map(
              ({ celsius: at, closed: states }) =>
                `${Math.round(toShown(at, "temperature", system))}° ${states.map((state) => (state ? "closed" : "open")).join("/")}`,
            )
            .join("  →  ")}{" "}
          <Button weight="quiet" className="px-1" onClick={() => put("notes")(notes.slice(0, -1))}>
            Last one off
          </Button>
        </p>
      )}
    </Instrument>
  );
}
