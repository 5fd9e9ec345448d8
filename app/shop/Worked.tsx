import { scaleLog } from "d3";
import type { readyAsTold, StageWorked } from "../../core/stages/day/index.ts";
import { Chart } from "../charts/Chart.tsx";
import { STAGE_NAMES } from "../shell/stage-names.ts";
import { Part } from "./Part.tsx";

const [WIDTH, HEIGHT, EDGE] = [480, 58, 12];
const [LEAST, MOST] = [0.25, 4];
const TICKS = [0.5, 1, 2];
const times = (ratio: number) => `${ratio.toFixed(1)} ×`;
const scale = scaleLog()
  .domain([LEAST, MOST])
  .range([EDGE, WIDTH - EDGE])
  .clamp(true);

/** Each job a stroke by how its real minutes stand to the estimate; the middle one heavy, the estimate a rule. */
function Strokes({ ratios, spread, stage }: StageWorked) {
  const told = spread
    ? `${STAGE_NAMES[stage]}: ${ratios.length} jobs, half of them under ${times(spread.middle)} the estimate`
    : `${STAGE_NAMES[stage]}: ${ratios.length} jobs, too few to say`;
  return (
    <Chart size={{ width: WIDTH, height: HEIGHT }} told={told}>
      <line x1={EDGE} x2={WIDTH - EDGE} y1={36} y2={36} className="stroke-edge" />
      {TICKS.map((tick) => (
        <g key={tick}>
          <line x1={scale(tick)} x2={scale(tick)} y1={tick === 1 ? 4 : 30} y2={42} className="stroke-edge" />
          <text x={scale(tick)} y={56} textAnchor="middle" className="figure fill-ink-2 text-[13px]">
            {tick === 1 ? "as estimated" : times(tick)}
          </text>
        </g>
      ))}
      <path
        d={ratios.map((ratio) => `M${scale(ratio)} 16V34`).join("")}
        className="stroke-ink"
        strokeOpacity={0.5}
      />
      {spread && (
        <line
          x1={scale(spread.middle)}
          x2={scale(spread.middle)}
          y1={8}
          y2={38}
          className="stroke-ink"
          strokeWidth={4}
        />
      )}
    </Chart>
  );
}

/** What the shop's work took beside what it was taken for, and whether cars were ready when their owners were told: for whoever quotes. */
export function Worked({
  stages,
  told,
}: {
  stages: readonly StageWorked[];
  told: ReturnType<typeof readyAsTold>;
}) {
  return (
    <Part title="Estimated and real">
      {stages.length === 0 && (
        <p className="text-ink-2">Nothing is told yet: signed jobs show it by the times of their lines.</p>
      )}
      {stages.map((each) => (
        <div key={each.stage} className="mb-3">
          <p className="flex flex-wrap justify-between gap-x-3">
            <b>{STAGE_NAMES[each.stage]}</b>
            <span className="text-ink-2">
              {each.spread ? (
                <>
                  in the middle <b className="figure text-ink">{times(each.spread.middle)}</b> the estimate,{" "}
                  {each.ratios.length} jobs
                </>
              ) : (
                `${each.ratios.length} jobs: too few to say`
              )}
            </span>
          </p>
          <Strokes {...each} />
          <details>
            <summary className="min-h-12 cursor-pointer py-3 underline underline-offset-4">By model</summary>
            <ul>
              {each.models.map(({ model, count, spread }) => (
                <li key={model} className="flex justify-between gap-3 border-rule border-b py-1">
                  <span>{model}</span>
                  <span className="text-ink-2">
                    {spread ? times(spread.middle) : "too few to say"}, {count}
                  </span>
                </li>
              ))}
            </ul>
          </details>
        </div>
      ))}
      <p className="text-ink-2">
        {told.told === 0
          ? "No owner of a signed job was told when it is ready."
          : `Ready as told: ${told.inTime} of ${told.told}${told.lateMinutes > 0 ? `; the others ${told.lateMinutes} min late on the average` : ""}.`}
      </p>
    </Part>
  );
}
