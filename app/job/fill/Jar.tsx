import { format, type System } from "../../../core/kernel/units/index.ts";
import type { CoolantBalance } from "../../../core/state/index.ts";

const HEIGHT = 260;
const TOP = 16;

/** The system as a jar: what stayed in the car and what went back in, against what the card says it holds. */
export function Jar({
  capacityL,
  sums,
  system,
}: {
  capacityL: number | undefined;
  sums: CoolantBalance;
  system: System;
}) {
  if (!capacityL) return <p className="text-ink-2">No card yet, so nobody knows what it holds.</p>;
  const outL = sums.drainedL + sums.spilledL + sums.keptInPartsL + sums.missingAtArrivalL;
  const stayedL = Math.max(0, capacityL - outL);
  const inL = Math.min(sums.addedL, capacityL * 1.15 - stayedL);
  const y = (litres: number) => TOP + HEIGHT - (litres / (capacityL * 1.15)) * HEIGHT;
  const litres = (value: number) => format(value, "volume", system);
  const full = y(capacityL);
  const surface = y(stayedL + inL);
  const bottom = TOP + HEIGHT;
  return (
    <svg
      viewBox="0 0 208 300"
      className="w-full max-w-64 max-lg:max-w-44"
      role="img"
      aria-label={`Of ${litres(capacityL)}, ${litres(stayedL)} stayed in the car and ${litres(sums.addedL)} went in`}
    >
      <rect x="6" y={y(stayedL)} width="84" height={bottom - y(stayedL)} fill="var(--rule)" />
      <rect x="6" y={surface} width="84" height={Math.max(0, y(stayedL) - surface)} fill="var(--in)" />
      <path d={`M6 ${TOP - 8}V${bottom}h84V${TOP - 8}`} fill="none" stroke="var(--ink)" strokeWidth="3" />
      <path d={`M6 ${full}h96`} stroke="var(--ink)" strokeWidth="2" strokeDasharray="5 4" />
      <g fill="var(--ink)" fontSize="14">
        <text x="106" y={full + 5}>
          full {litres(capacityL)}
        </text>
        {sums.addedL > 0 && (
          <text x="100" y={Math.max(full + 24, (surface + y(stayedL)) / 2 + 5)}>
            <tspan fontWeight="700">went in</tspan>
            <tspan x="100" dy="17">
              {litres(sums.addedL)}
            </tspan>
          </text>
        )}
        <text x="100" y={Math.min(bottom - 22, (y(stayedL) + bottom) / 2)}>
          <tspan fontWeight="700">stayed</tspan>
          <tspan x="100" dy="17">
            {litres(stayedL)}
          </tspan>
        </text>
      </g>
    </svg>
  );
}
