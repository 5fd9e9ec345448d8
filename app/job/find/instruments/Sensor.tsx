import { useMemo } from "react";
import { SHOWN } from "../../../../core/kernel/units/index.ts";
import { sensorFit, sensorVerdict, USUAL_SENSOR } from "../../../../core/trade/electrics/index.ts";
import { celsiusOf, FigureField, figure, Instrument, worked } from "../../instrument/Instrument.tsx";
import { useFields } from "../../instrument/useFields.ts";
import { useJob } from "../../stage/context.ts";
import type { KnownFind } from "../belief/useFind.ts";
import { SensorCurve } from "./SensorCurve.tsx";
import { useReading } from "./useReading.ts";

const OUTCOMES = { "on-curve": "on", "off-curve": "off", open: "open", short: "short" } as const;

export function Sensor({ find }: { find: KnownFind }) {
  const reading = useReading(find);
  const { page, system } = useJob();
  const curve = page.card?.sensorCurve ?? [];
  const cardFit = useMemo(() => (curve.length > 1 ? sensorFit(curve) : undefined), [curve]);
  const { fields, put, clear } = useFields(`sensor:${system}`, { ohms: "", celsius: "" });
  const { ohms, celsius } = fields;
  const isOpen = /^(ol|open|∞)$/i.test(ohms.trim());
  const value = isOpen ? Number.POSITIVE_INFINITY : figure(ohms);
  const actualC = celsiusOf(celsius, system);
  const outcome = worked(ohms.trim() !== "" && celsius.trim() !== "", () =>
    sensorVerdict({ ohms: value, actualC, fit: cardFit }),
  );
  const result = outcome && "result" in outcome ? outcome.result : undefined;
  return (
    <Instrument
      outcome={outcome}
      isBookable={find.mayBook}
      onClear={clear}
      onBook={() => result && reading("sensor-ohms", OUTCOMES[result.state], result, "Coolant sensor's ohms")}
    >
      <FigureField label="Meter, or OL" unit="Ω" value={ohms} onChange={put("ohms")} />
      <FigureField
        label="Housing"
        unit={SHOWN.temperature[system].label}
        value={celsius}
        onChange={put("celsius")}
      />
      <SensorCurve fit={cardFit ?? sensorFit(USUAL_SENSOR)} ohms={value} actualC={actualC} system={system} />
    </Instrument>
  );
}
