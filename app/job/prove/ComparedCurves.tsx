import { extent, line, scaleLinear } from "d3";
import { SHOWN, type System, toShown } from "../../../core/kernel/units/index.ts";
import { AxisBottom, AxisLeft } from "../../charts/axes.tsx";
import { Chart } from "../../charts/Chart.tsx";
import { frameOf } from "../../charts/frame.ts";
import { Curve } from "../../charts/marks.tsx";
import type { ComparedLogs } from "../../workers/compare-logs.ts";

const FRAME = frameOf(760, 280, { top: 24, right: 16, bottom: 40, left: 46 });

/** Before dashed, after whole, their knees over each other. */
export function ComparedCurves({ compared, system }: { compared: ComparedLogs; system: System }) {
  const { before, after, comparison } = compared;
  const shown = ({ coolantC }: ComparedLogs["before"][number]) => toShown(coolantC, "temperature", system);
  const [from = 0, to = 60] = extent([...before, ...after], ({ s }) => s / 60);
  const [low = 0, high = 100] = extent([...before, ...after], shown);
  const x = scaleLinear([from, to], [FRAME.left, FRAME.right]);
  const y = scaleLinear([low, high], [FRAME.bottom, FRAME.top]).nice();
  const path = line<ComparedLogs["before"][number]>(
    ({ s }) => x(s / 60),
    (point) => y(shown(point)),
  );
  return (
    <Chart
      size={FRAME}
      name="Before and after"
      className="w-full min-w-[36rem]"
      told={`Before and after over each other. ${comparison.because.join(" ")}`}
    >
      <AxisLeft frame={FRAME} scale={y} ticks={y.ticks(5)} unit={SHOWN.temperature[system].label} isRuled />
      <AxisBottom
        frame={FRAME}
        scale={x}
        ticks={x.ticks(8)}
        below="minutes of the log before; knees over each other"
      />
      <Curve path={path(before)} width={2} dash="6 5" isQuiet />
      <Curve path={path(after)} />
    </Chart>
  );
}
