import { useState } from "react";
import { coldSoak } from "../../../../core/electrics/index.ts";
import type { KnownFind } from "../useFind.ts";
import { FigureField, figure, Instrument, worked } from "./Instrument.tsx";
import { useReading } from "./useReading.ts";

export function ColdSoak({ find }: { find: KnownFind }) {
  const reading = useReading(find);
  const [sensor, setSensor] = useState("");
  const [intake, setIntake] = useState("");
  const [room, setRoom] = useState("");
  const [hours, setHours] = useState("");
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
      <FigureField label="Coolant sensor" unit="°C" value={sensor} onChange={setSensor} />
      <FigureField label="Intake air" unit="°C" value={intake} onChange={setIntake} />
      <FigureField label="Room" unit="°C" value={room} onChange={setRoom} />
      <FigureField label="Stood for" unit="h" value={hours} onChange={setHours} />
    </Instrument>
  );
}
