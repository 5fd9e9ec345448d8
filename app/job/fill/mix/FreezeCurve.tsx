import { line, scaleLinear } from "d3";
import { format, type System } from "../../../../core/kernel/units/index.ts";
import { type Base, freezePointC, STRONGEST } from "../../../../core/trade/coolant/index.ts";

const WIDTH = 420;
const HEIGHT = 200;
const LEFT = 60;
const RIGHT = 20;
const TOP = 14;
const BOTTOM = 34;
const STEPS = 60;

interface Point {
  name: string;
  fraction: number;
}

/** Nearer to each other than that, and one's name would stand on the other's. */
const APART = 0.04;

/** Points as they are drawn: those that lie on each other as one, under both their names. */
function together(points: readonly Point[]): Point[] {
  const drawn: Point[] = [];
  for (const point of points) {
    const last = drawn.at(-1);
    if (!last || Math.abs(last.fraction - point.fraction) >= APART) drawn.push(point);
    else drawn[drawn.length - 1] = { name: `${last.name}, ${point.name}`, fraction: point.fraction };
  }
  return drawn;
}

/** Where a mix freezes by its share of glycol, with today's mix, what will be in it, and how cold it has to stand. */
export function FreezeCurve({
  base,
  points,
  coldestC,
  system,
}: {
  base: Base;
  points: readonly Point[];
  coldestC: number | undefined;
  system: System;
}) {
  const x = scaleLinear([0, STRONGEST], [LEFT, WIDTH - RIGHT]);
  const y = scaleLinear([0, -55], [TOP, HEIGHT - BOTTOM]);
  const curve = Array.from({ length: STEPS + 1 }, (_, step): [number, number] => {
    const fraction = (STRONGEST * step) / STEPS;
    return [x(fraction), y(freezePointC(base, fraction))];
  });
  const shown = points.filter(({ fraction }) => fraction <= STRONGEST);
  const celsius = (value: number) => format(value, "temperature", system);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-md"
      role="img"
      aria-label={`Freezing point by share of glycol: ${shown
        .map(
          ({ name, fraction }) =>
            `${name} ${format(fraction, "fraction", system)} at ${celsius(freezePointC(base, fraction))}`,
        )
        .join("; ")}${coldestC === undefined ? "" : `; has to stand ${celsius(coldestC)}`}`}
    >
      <path d={line()(curve) ?? ""} fill="none" className="stroke-ink" strokeWidth={2.5} />
      {coldestC !== undefined && (
        <line
          x1={LEFT}
          x2={WIDTH - RIGHT}
          y1={y(coldestC)}
          y2={y(coldestC)}
          className="stroke-ink"
          strokeDasharray="7 5"
        />
      )}
      <g className="fill-ink text-[14px]">
        {[0, -20, -40].map((tick) => (
          <text key={tick} x={LEFT - 8} y={y(tick) + 5} textAnchor="end">
            {celsius(tick)}
          </text>
        ))}
        {[0, 0.2, 0.4, 0.6].map((tick) => (
          <text key={tick} x={x(tick)} y={HEIGHT - 10} textAnchor="middle">
            {format(tick, "fraction", system)}
          </text>
        ))}
        {together(shown).map(({ name, fraction }, place, all) => (
          <g key={name}>
            <circle
              cx={x(fraction)}
              cy={y(freezePointC(base, fraction))}
              r={6}
              className={place === all.length - 1 ? "fill-ink" : "fill-paper stroke-ink"}
              strokeWidth={2.5}
            />
            <text
              x={x(fraction) + (fraction > 0.45 ? -12 : 12)}
              y={y(freezePointC(base, fraction)) + (fraction > 0.45 ? 18 : -8)}
              textAnchor={fraction > 0.45 ? "end" : "start"}
            >
              {name}
            </text>
          </g>
        ))}
      </g>
    </svg>
  );
}
