import { coolDown } from "../../../../core/bleed/index.ts";
import type { BleedRun } from "../../../../core/job/index.ts";
import { format, inShownTemperatures } from "../../../../core/units/index.ts";
import { clockOf } from "../../../ui/dates.ts";
import { VerdictShape } from "../../../ui/VerdictMark.tsx";
import { useJob } from "../../context.ts";
import { FromLog } from "./FromLog.tsx";

const WORDS = { pass: "It may be opened", fail: "Not yet", "not-seen": "Not yet" } as const;
const TARGET_C = 50;

/** Whether the cap may be opened, by what was read last, and when to look again. */
export function Cooling({ run }: { run: BleedRun }) {
  const { system, timeZone } = useJob();
  const { safeNow, readyAtS, because } = coolDown(run.cooling, { shutOffAtS: run.shutOffAtS });
  const clock = (seconds: number) => clockOf(new Date(seconds * 1000).toISOString(), timeZone);
  return (
    <section aria-labelledby="cooling" className="rounded-md border-2 border-edge bg-sheet p-4">
      <h4 id="cooling" className="flex items-center gap-2 text-2xl">
        <VerdictShape verdict={safeNow} /> {WORDS[safeNow]}
      </h4>
      <p>{inShownTemperatures(because, system)}</p>
      {readyAtS && (
        <p>
          Look again at <span className="figure text-xl">{clock(readyAtS.likely)}</span>, between{" "}
          {clock(readyAtS.earliest)} and {clock(readyAtS.latest)}.
        </p>
      )}
      <p className="text-ink-2">
        Wanted: {format(TARGET_C, "temperature", system)} at the neck. {run.cooling.length} read since it was
        shut off.
      </p>
      {run.shutOffAtS !== undefined && <FromLog sinceS={run.shutOffAtS} />}
    </section>
  );
}
