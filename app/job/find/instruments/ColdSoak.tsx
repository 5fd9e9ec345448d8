import { coldSoak } from "../../../../core/electrics/index.ts";
import type { KnownFind } from "../useFind.ts";
import { FigureField, figure, Instrument, worked } from "./Instrument.tsx";
import { useFields } from "./useFields.ts";
import { useReading } from "./useReading.ts";

export function ColdSoak({ find }: { find: KnownFind }) {
  const reading = useReading(find);
  const { fields, put, clear } = useFields("soak", { sensor: "", intake: "", room: "", hours: "" });
  const { sensor, intake, room, hours } = fields;
  const isTyped = [sensor, room, hours].every((text) => text.trim() !== "");
  const outcome = worked(isTyped, () =>
    coldSoak({
      sensorC: figure(sensor),
      roomC: figure(room),
      hours: figure(hours),
      ...(intake.trim() ? { intakeC: figure(intake) } : {}),
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
      <FigureField label="Coolant sensor" unit="°C" value={sensor} onChange={put("sensor")} />
      <FigureField label="Intake air" unit="°C" value={intake} onChange={put("intake")} />
      <FigureField label="Room" unit="°C" value={room} onChange={put("room")} />
      <FigureField label="Stood for" unit="h" value={hours} onChange={put("hours")} />
    </Instrument>
  );
}
