import { extent, line, scaleLinear } from "d3";
import { SHOWN, type System, toShown } from "../../../core/kernel/units/index.ts";
import type { CurvePoint } from "../../../core/trade/trace/index.ts";
import { AxisBottom, AxisLeft } from "../../charts/axes.tsx";
import { Chart } from "../../charts/Chart.tsx";
import { frameOf } from "../../charts/frame.ts";
import { Curve } from "../../charts/marks.tsx";

const FRAME = frameOf(760, 280, { top: 24, right: 16, bottom: 40, left: 46 });
const DASHES = ["7 5", "2 5", "12 4 2 4"];

/** What a car would have shown, at the log's own seconds, °C. */
export interface Redrawn {
  s: ArrayLike<number>;
  redrawnC: ArrayLike<number>;
}

/** A log whole, and what redraws it dashed over it. */
export function RedrawnCurve({
  points,
  drawn,
  told,
  system,
}: {
  points: readonly CurvePoint[];
  drawn: readonly Redrawn[];
  told: string;
  system: System;
}) {
  const shown = (celsius: number) => toShown(celsius, "temperature", system);
  const begins = points[0]?.s ?? 0;
  const lines = drawn.map(({ s, redrawnC }) =>
    Array.from(s, (at, row) => ({ at: begins + at, shown: shown(redrawnC[row] as number) })),
  );
  const own = points.map(({ s, coolantC }) => ({ at: s, shown: shown(coolantC) }));
  const all = [...own, ...lines.flat()];
  const [from = 0, to = 60] = extent(own, ({ at }) => at / 60);
  const [low = 0, high = 100] = extent(all, (each) => each.shown);
  const x = scaleLinear([from, to], [FRAME.left, FRAME.right]);
  const y = scaleLinear([low, high], [FRAME.bottom, FRAME.top]).nice();
  const path = line<(typeof own)[number]>(
    ({ at }) => x(at / 60),
    (each) => y(each.shown),
  );
  return (
    <Chart size={FRAME} name="Redrawn" className="w-full min-w-[36rem]" told={told}>
      <AxisLeft frame={FRAME} scale={y} ticks={y.ticks(5)} unit={SHOWN.temperature[system].label} isRuled />
      <AxisBottom frame={FRAME} scale={x} ticks={x.ticks(8)} below="minutes; the log whole, redrawn dashed" />
      <Curve path={path(own)} width={1.6} isQuiet />
      {lines.map((each, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: they are told apart by their place
        <Curve key={index} path={path(each)} {...(DASHES[index] && { dash: DASHES[index] })} />
      ))}
    </Chart>
  );
}
