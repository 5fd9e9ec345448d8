import { max, scaleLinear } from "d3";
import { format, type System } from "../../../../core/kernel/units/index.ts";
import type { BleedRun } from "../../../../core/stages/fill/index.ts";
import { type BleedProgress, bleedProgress } from "../../../../core/trade/bleed/index.ts";
import { Chart } from "../../../charts/Chart.tsx";
import { Stroke, Word } from "../../../charts/marks.tsx";
import { VerdictShape } from "../../../ui/VerdictMark.tsx";

const SIZE = { width: 420, height: 150 };
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
    <Chart
      size={SIZE}
      className="w-full max-w-md"
      told={`Topped up ${shown.map(({ toppedUpL }) => litres(toppedUpL)).join(", ")}; still to come ${litres(still.likely)}, from ${litres(still.low)} to ${litres(still.high)}`}
    >
      {shown.map(({ toppedUpL }, place) => {
        const x = LEFT + place * STEP;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: cycles have no name but their place
          <g key={place}>
            <rect x={x} width={STEP} y={y(toppedUpL)} height={BASE - y(toppedUpL)} className="fill-in" />
            <Word at={[x + STEP / 2, BASE + 20]} anchor="middle">
              {litres(toppedUpL)}
            </Word>
          </g>
        );
      })}
      <Stroke from={[LEFT, BASE]} to={[stillX + 70, BASE]} width={2} />
      <rect
        x={stillX}
        width={STEP}
        y={y(still.high)}
        height={Math.max(2, y(still.low) - y(still.high))}
        className="fill-wash stroke-ink"
        strokeDasharray="4 3"
      />
      <Stroke from={[stillX, y(still.likely)]} to={[stillX + STEP, y(still.likely)]} width={4} />
      <Word at={[stillX + STEP / 2, BASE + 20]} anchor="middle">
        to come
      </Word>
    </Chart>
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
