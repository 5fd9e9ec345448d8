import { Link } from "react-router";
import type { Duty } from "../../../core/state/index.ts";
import { STAGE_NAMES } from "../../shell/stage-names.ts";
import { useJob } from "../stage/context.ts";
import { FoldOfJob, useFolds } from "../stage/Fold.tsx";

/** What usually stands in a book and doesn't in this one, or isn't answered yet, each with the way to where it is. */
export function Missing({ missing }: { missing: readonly Duty[] }) {
  const { page } = useJob();
  const folds = useFolds();
  if (missing.length === 0) return null;
  return (
    <FoldOfJob name="Not said" says={missing.length} folds={folds} className="font-bold text-xl">
      <ul className="border-ink border-t-2">
        {missing.map(({ words, stage }, index) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: of two parts of one name the same may be left unsaid
            key={`${index} ${words}`}
            className="grid grid-cols-[1fr_auto] items-center gap-x-4 border-rule border-b py-1"
          >
            <span>{words}</span>
            <Link
              className="inline-flex min-h-12 items-center underline underline-offset-4"
              to={stage === "sign" ? "#hand-over" : `/jobs/${page.job.id}/${stage}`}
            >
              {stage === "sign" ? "below" : `to ${STAGE_NAMES[stage]}`}
            </Link>
          </li>
        ))}
      </ul>
    </FoldOfJob>
  );
}
