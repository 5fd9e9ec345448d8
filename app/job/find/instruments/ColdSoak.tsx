import { SHOWN } from "../../../../core/kernel/units/index.ts";
import { coldSoak } from "../../../../core/trade/electrics/index.ts";
import { celsiusOf, FigureField, figure, Instrument, worked } from "../../instrument/Instrument.tsx";
import { useFields } from "../../instrument/useFields.ts";
import { useJob } from "../../stage/context.ts";
import type { KnownFind } from "../belief/useFind.ts";
import { useReading } from "./useReading.ts";

export function ColdSoak({ find }: { find: KnownFind }) {
  const { system } = useJob();
  const unit = SHOWN.temperature[system].label;
  const reading = useReading(find);
  const { fields, put, clear } = useFields(`soak:${system}`, { sensor: "", intake: "", room: "", hours: "" });
  const { sensor, intake, room, hours } = fields;
  const isTyped = [sensor, room, hours].every((text) => text.trim() !== "");
  const outcome = worked(isTyped, () =>
    coldSoak({
      sensorC: celsiusOf(sensor, system),
      roomC: celsiusOf(room, system),
      hours: figure(hours),
      ...(intake.trim() ? { intakeC: celsiusOf(intake, system) } : {}),
    }),
  );
  const result = outcome && "result" in outcome ? outcome.result : undefined;
  return (
    <Instrument
      outcome={outcome}
      isBookable={find.mayBook}
      onClear={clear}
      onBook={() =>
        result &&
        reading(
          "live-cold",
          result.outcome === "not-seen" ? undefined : result.outcome,
          result,
          "Cold-soak agreement",
        )
      }
    >
      <FigureField label="Coolant sensor" unit={unit} value={sensor} onChange={put("sensor")} />
      <FigureField label="Intake air" unit={unit} value={intake} onChange={put("intake")} />
      <FigureField label="Room" unit={unit} value={room} onChange={put("room")} />
      <FigureField label="Stood for" unit="h" value={hours} onChange={put("hours")} />
    </Instrument>
  );
}
