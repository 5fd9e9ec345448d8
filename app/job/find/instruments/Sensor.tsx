import { line, scaleLinear, scaleLog } from "d3";
import { useMemo } from "react";
import { format, SHOWN, type System } from "../../../../core/kernel/units/index.ts";
import {
  type SensorFit,
  sensorFit,
  sensorVerdict,
  temperatureFromOhms,
  USUAL_SENSOR,
} from "../../../../core/trade/electrics/index.ts";
import { celsiusOf, FigureField, figure, Instrument, worked } from "../../instrument/Instrument.tsx";
import { useFields } from "../../instrument/useFields.ts";
import { useJob } from "../../stage/context.ts";
import type { KnownFind } from "../belief/useFind.ts";
import { useReading } from "./useReading.ts";

const WIDTH = 300;
const HEIGHT = 150;
const OUTCOMES = { "on-curve": "on", "off-curve": "off", open: "open", short: "short" } as const;

/** Ohms against °C with the point measured: on the line is a sound sensor. */
function Curve({
  fit,
  ohms,
  actualC,
  system,
}: {
  fit: SensorFit;
  ohms: number;
  actualC: number;
  system: System;
}) {
  const x = scaleLinear([0, 120], [44, WIDTH - 26]);
  const y = scaleLog([60, 8000], [HEIGHT - 24, 8]).clamp(true);
  const points = scaleLog([70, 7000], [0, 1]);
  const curve = line<number>(
    (share) => x(temperatureFromOhms(fit, points.invert(share))),
    (share) => y(points.invert(share)),
  )(Array.from({ length: 40 }, (_, i) => i / 39));
  const isShown = Number.isFinite(ohms) && Number.isFinite(actualC);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-72"
      role="img"
      aria-label={`The sensor's ohms against ${SHOWN.temperature[system].label}, with the point measured`}
    >
      {[100, 1000].map((tick) => (
        <g key={tick}>
          <path d={`M44 ${y(tick)}H${WIDTH - 26}`} stroke="var(--rule)" />
          <text x="40" y={y(tick) + 4} textAnchor="end" fontSize="12" fill="var(--ink-2)">
            {tick === 1000 ? "1 kΩ" : "100 Ω"}
          </text>
        </g>
      ))}
      {[0, 40, 80, 120].map((tick) => (
        <text key={tick} x={x(tick)} y={HEIGHT - 6} textAnchor="middle" fontSize="12" fill="var(--ink-2)">
          {format(tick, "temperature", system)}
        </text>
      ))}
      <path d={curve ?? ""} fill="none" stroke="var(--ink)" strokeWidth="2" />
      {isShown && (
        <circle
          cx={x(actualC)}
          cy={y(Math.max(ohms, 60))}
          r="6"
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth="3"
        />
      )}
    </svg>
  );
}

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
      <Curve fit={cardFit ?? sensorFit(USUAL_SENSOR)} ohms={value} actualC={actualC} system={system} />
    </Instrument>
  );
}
