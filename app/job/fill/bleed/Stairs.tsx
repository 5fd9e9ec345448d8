import { max, scaleLinear } from "d3";
import { format, type System } from "../../../../core/kernel/units/index.ts";
import type { BleedRun } from "../../../../core/stages/fill/index.ts";
import { type BleedProgress, bleedProgress } from "../../../../core/trade/bleed/index.ts";
import { VerdictShape } from "../../../ui/VerdictMark.tsx";

const WIDTH = 420;
const HEIGHT = 150;
const BASE = 120;
const STEP = 54;
const LEFT = 12;

/** What went in at each cycle, falling away like stairs, and what is still to come with its interval. */
function Picture({
  cycles,
  still,
  litres,
}: {
  cycles: BleedRun["cycles"];
  still: BleedProgress["stillL"];
  litres: (value: number) => string;
}) {
  const shown = cycles.slice(-6);
  const most = Math.max(0.2, max(shown, ({ toppedUpL }) => toppedUpL) ?? 0, still.high);
  const y = scaleLinear([0, most], [BASE, 16]);
  const stillX = LEFT + shown.length * STEP + 16;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-md"
      role="img"
      aria-label={`Topped up ${shown.map(({ toppedUpL }) => litres(toppedUpL)).join(", ")}; still to come ${litres(still.likely)}, from ${litres(still.low)} to ${litres(still.high)}`}
    >
      {shown.map(({ toppedUpL }, place) => {
        const x = LEFT + place * STEP;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: cycles have no name but their place
          <g key={place}>
            <rect x={x} width={STEP} y={y(toppedUpL)} height={BASE - y(toppedUpL)} className="fill-in" />
            <text x={x + STEP / 2} y={BASE + 20} textAnchor="middle" className="fill-ink text-[14px]">
              {litres(toppedUpL)}
            </text>
          </g>
        );
      })}
      <line x1={LEFT} x2={stillX + 70} y1={BASE} y2={BASE} className="stroke-ink" strokeWidth={2} />
      <rect
        x={stillX}
        width={STEP}
        y={y(still.high)}
        height={Math.max(2, y(still.low) - y(still.high))}
        className="fill-wash stroke-ink"
        strokeDasharray="4 3"
      />
      <line
        x1={stillX}
        x2={stillX + STEP}
        y1={y(still.likely)}
        y2={y(still.likely)}
        className="stroke-ink"
        strokeWidth={4}
      />
      <text x={stillX + STEP / 2} y={BASE + 20} textAnchor="middle" className="fill-ink text-[14px]">
        to come
      </text>
    </svg>
  );
}

/** How much is still to go in, whether the air is out, and why. */
export function Stairs({ run, system }: { run: BleedRun; system: System }) {
  const { stillL, done, because } = bleedProgress(run.cycles, run.signs);
  const litres = (value: number) => format(value, "volume", system);
  return (
    <section aria-labelledby="stairs" className="flex flex-col gap-2">
      <h4 id="stairs" className="font-bold text-lg">
        {run.cycles.length === 0 ? "Air still in it" : `About ${litres(stillL.likely)} still to come`}
      </h4>
      {run.cycles.length > 0 && (
        <>
          <p className="text-ink-2">
            In four cases of five between {litres(stillL.low)} and {litres(stillL.high)}.
          </p>
          <Picture cycles={run.cycles} still={stillL} litres={litres} />
        </>
      )}
      <p className="flex items-start gap-2">
        <VerdictShape verdict={done} /> {because}
      </p>
    </section>
  );
}
