import type { OpenJob } from "../../server/books/jobs/read-open-jobs.ts";
import { BenchControls } from "./BenchControls.tsx";
import { BenchCurve } from "./BenchCurve.tsx";
import { BenchFigures } from "./BenchFigures.tsx";
import { CircuitDrawing } from "./CircuitDrawing.tsx";
import { SaveLog } from "./SaveLog.tsx";
import { useBench } from "./useBench.ts";

/** The bench whole: what is put through what, the circuit as it is now, the curve, and what becomes of the log. */
export function BenchTop({ jobs }: { jobs: readonly OpenJob[] }) {
  const here = useBench();
  return (
    <div className="grid items-start gap-x-6 gap-y-6 xl:grid-cols-[22.5rem_minmax(0,1fr)]">
      <BenchControls here={here} />
      <div className="flex min-w-0 flex-col gap-4">
        <BenchFigures here={here} />
        <CircuitDrawing here={here} />
        <BenchCurve here={here} />
        <SaveLog here={here} jobs={jobs} />
      </div>
    </div>
  );
}
