import { line, max, min, scaleLinear } from "d3";
import { SHOWN, toShown } from "../../../core/kernel/units/index.ts";
import type { EngineRow, RoundTold } from "../../../core/trade/practice/index.ts";
import { AxisBottom, AxisLeft } from "../../charts/axes.tsx";
import { Chart } from "../../charts/Chart.tsx";
import { frameOf } from "../../charts/frame.ts";
import { Curve } from "../../charts/marks.tsx";
import { useMember } from "../../desk/member.ts";

const FRAME = frameOf(760, 240, { top: 24, right: 16, bottom: 40, left: 46 });
/** A night, or a long repair, is drawn as short as this, minutes. */
const GAP_MINUTES = 15;

/** Rows with the hours in which nothing was seen cut out. */
function withoutNights(rows: readonly EngineRow[]): EngineRow[] {
  let cut = 0;
  return rows.map((row, index) => {
    const gone = row.minute - (rows[index - 1]?.minute ?? row.minute);
    if (gone > GAP_MINUTES) cut += gone - GAP_MINUTES;
    return { ...row, minute: row.minute - cut };
  });
}

/** How hot it really was through the round, and what the dial said. */
export function TrueCurve({ told: { rows, peakC } }: { told: RoundTold }) {
  const { units } = useMember();
  const shown = (celsius: number) => toShown(celsius, "temperature", units);
  const drawn = withoutNights(rows);
  if (drawn.length < 3) return null;
  const x = scaleLinear([0, drawn.at(-1)?.minute ?? 1], [FRAME.left, FRAME.right]);
  const all = drawn.flatMap(({ coolantC, gaugeC }) => [coolantC, gaugeC]);
  const y = scaleLinear([shown(min(all) ?? 0), shown(max(all) ?? 100)], [FRAME.bottom, FRAME.top]).nice();
  const pathOf = (of: "coolantC" | "gaugeC") =>
    line<EngineRow>(
      ({ minute }) => x(minute),
      (row) => y(shown(row[of])),
    )(drawn);
  const unit = SHOWN.temperature[units].label;
  return (
    <section aria-labelledby="true-curve">
      <h2 id="true-curve" className="text-2xl">
        How hot it really was
      </h2>
      <Chart
        size={FRAME}
        name="Its curve"
        className="w-full min-w-[36rem] max-w-4xl"
        told={`Over the round, hottest ${Math.round(shown(peakC))} ${unit}; the dial showed ${Math.round(shown(max(drawn, ({ gaugeC }) => gaugeC) ?? 0))} ${unit} at most.`}
      >
        <AxisLeft frame={FRAME} scale={y} ticks={y.ticks(5)} unit={unit} isRuled />
        <AxisBottom
          frame={FRAME}
          scale={x}
          ticks={x.ticks(8)}
          below="minutes, nights cut out; coolant in the block whole, the dial dashed"
        />
        <Curve path={pathOf("gaugeC")} width={1.6} dash="6 5" isQuiet />
        <Curve path={pathOf("coolantC")} />
      </Chart>
    </section>
  );
}
