import { useMember } from "../desk/member.ts";
import { clockOfLog } from "../job/live/LiveMarks.tsx";
import { Figure } from "../ui/Figure.tsx";
import { BoilWords } from "./BoilWords.tsx";
import type { BenchHere } from "./useBench.ts";

/** How hot, how fast and how long. */
export function BenchFigures({ here }: { here: BenchHere }) {
  const { bench } = here;
  const { units } = useMember();
  const { rpm } = bench.conditionsNow;
  return (
    <div className="flex flex-wrap items-end gap-x-8 gap-y-3">
      <dl className="flex flex-wrap items-end gap-x-8 gap-y-2">
        <div>
          <dt className="text-ink-2">Coolant, by its sensor</dt>
          <dd>
            <Figure value={bench.toldC} dimension="temperature" system={units} decimals={0} isKey />
          </dd>
        </div>
        <div>
          <dt className="text-ink-2">Revs</dt>
          <dd className="figure text-3xl">{rpm}</dd>
        </div>
        <div>
          <dt className="text-ink-2">It ran</dt>
          <dd className="figure text-3xl">{clockOfLog(bench.atS)}</dd>
        </div>
      </dl>
      <BoilWords bench={bench} />
    </div>
  );
}
