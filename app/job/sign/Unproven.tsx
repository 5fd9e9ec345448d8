import { Link } from "react-router";
import type { ProofRow } from "../../../core/state/index.ts";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { useJob } from "../stage/context.ts";
import { FoldOfJob, useFolds } from "../stage/Fold.tsx";

/** What nobody has seen and nobody said why, and what failed. */
export function Unproven({ rows }: { rows: readonly ProofRow[] }) {
  const { page } = useJob();
  const folds = useFolds();
  if (rows.length === 0) return null;
  // Nobody signs past what failed without having read it.
  const hasFailed = rows.some(({ verdict }) => verdict === "fail");
  return (
    <FoldOfJob
      name="Not proven"
      says={rows.length}
      folds={hasFailed ? "never" : folds}
      className="font-bold text-xl"
    >
      <ul className="flex flex-wrap gap-x-6 border-ink border-t-2 border-b border-b-rule py-1">
        {rows.map(({ proof, words, verdict }) => (
          <li key={proof} className="flex items-center gap-2 py-1">
            <VerdictShape verdict={verdict} />
            <span>
              {words}: {verdict === "fail" ? "failed" : "not seen"}
            </span>
          </li>
        ))}
        <li className="ml-auto">
          <Link
            className="inline-flex min-h-12 items-center underline underline-offset-4"
            to={`/jobs/${page.job.id}/prove`}
          >
            to Prove
          </Link>
        </li>
      </ul>
    </FoldOfJob>
  );
}
