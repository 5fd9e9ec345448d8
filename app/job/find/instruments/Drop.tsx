import { voltageDrop } from "../../../../core/trade/electrics/index.ts";
import { ChipsOne } from "../../../ui/Chips.tsx";
import { FigureField, figure, Instrument, worked } from "../../instrument/Instrument.tsx";
import { useFields } from "../../instrument/useFields.ts";
import type { KnownFind } from "../belief/useFind.ts";
import { useReading } from "./useReading.ts";

const SIDES = { "feed side": "feed-drop", "ground side": "ground-drop" } as const;

export function Drop({ find }: { find: KnownFind }) {
  const reading = useReading(find);
  const { fields, put, clear } = useFields("drop", { side: "ground side", source: "", load: "", amps: "" });
  const { side, source, load, amps } = fields;
  const isTyped = [source, load, amps].every((text) => text.trim() !== "");
  const outcome = worked(isTyped, () =>
    voltageDrop({ source: figure(source), load: figure(load), amps: figure(amps) }),
  );
  const result = outcome && "result" in outcome ? outcome.result : undefined;
  const seen = { pass: "low", fail: "high", "not-seen": undefined } as const;
  return (
    <Instrument
      outcome={outcome}
      isBookable={find.mayBook}
      onClear={clear}
      onBook={() =>
        result &&
        reading(SIDES[side as keyof typeof SIDES], seen[result.verdict], result, `Voltage drop, ${side}`)
      }
    >
      <div className="flex basis-full flex-col gap-1">
        <span className="font-bold">Which side</span>
        <ChipsOne
          label="Which side"
          options={Object.keys(SIDES)}
          value={side}
          onChange={(value) => value && put("side")(value)}
        />
      </div>
      <FigureField label="At the source" unit="V" value={source} onChange={put("source")} />
      <FigureField label="At the load" unit="V" value={load} onChange={put("load")} />
      <FigureField label="Load" unit="A" value={amps} onChange={put("amps")} />
    </Instrument>
  );
}
