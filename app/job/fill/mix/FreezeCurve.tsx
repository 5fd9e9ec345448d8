import { line, scaleLinear } from "d3";
import { format, type System } from "../../../../core/kernel/units/index.ts";
import { type Base, freezePointC, STRONGEST } from "../../../../core/trade/coolant/index.ts";
import { AxisBottom, AxisLeft } from "../../../charts/axes.tsx";
import { Chart } from "../../../charts/Chart.tsx";
import { frameOf } from "../../../charts/frame.ts";
import { Curve, Dot, Stroke, Word } from "../../../charts/marks.tsx";

const FRAME = frameOf(420, 200, { top: 14, right: 20, bottom: 34, left: 60 });
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
  const x = scaleLinear([0, STRONGEST], [FRAME.left, FRAME.right]);
  const y = scaleLinear([0, -55], [FRAME.top, FRAME.bottom]);
  const curve = Array.from({ length: STEPS + 1 }, (_, step): [number, number] => {
    const fraction = (STRONGEST * step) / STEPS;
    return [x(fraction), y(freezePointC(base, fraction))];
  });
  const shown = points.filter(({ fraction }) => fraction <= STRONGEST);
  const celsius = (value: number) => format(value, "temperature", system);
  const share = (value: number) => format(value, "fraction", system);
  const told = shown.map(
    ({ name, fraction }) => `${name} ${share(fraction)} at ${celsius(freezePointC(base, fraction))}`,
  );
  const stands = coldestC === undefined ? "" : `; has to stand ${celsius(coldestC)}`;
  return (
    <Chart
      size={FRAME}
      className="w-full max-w-md"
      told={`Freezing point by share of glycol: ${told.join("; ")}${stands}`}
    >
      <AxisLeft frame={FRAME} scale={y} ticks={[0, -20, -40]} words={celsius} />
      <AxisBottom frame={FRAME} scale={x} ticks={[0, 0.2, 0.4, 0.6]} words={share} />
      <Curve path={line()(curve)} />
      {coldestC !== undefined && (
        <Stroke from={[FRAME.left, y(coldestC)]} to={[FRAME.right, y(coldestC)]} width={1} dash="7 5" />
      )}
      {together(shown).map(({ name, fraction }, place, all) => {
        const [left, top] = [x(fraction), y(freezePointC(base, fraction))];
        const isFarRight = fraction > 0.45;
        return (
          <g key={name}>
            <Dot at={[left, top]} isFilled={place === all.length - 1} />
            <Word
              at={isFarRight ? [left - 12, top + 18] : [left + 12, top - 8]}
              anchor={isFarRight ? "end" : "start"}
            >
              {name}
            </Word>
          </g>
        );
      })}
    </Chart>
  );
}
