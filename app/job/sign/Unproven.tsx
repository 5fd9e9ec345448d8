import { Link } from "react-router";
import type { ProofRow } from "../../../core/state/index.ts";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { useJob } from "../stage/context.ts";

/** What nobody has seen and nobody said why, and what failed. */
export function Unproven({ rows }: { rows: readonly ProofRow[] }) {
  const { page } = useJob();
  if (rows.length === 0) return null;
  return (
    <div>
      <h3 className="flex min-h-12 flex-wrap items-center justify-between gap-x-4 font-bold text-xl">
        Not proven
        <Link
          className="inline-flex min-h-12 items-center font-normal text-base underline underline-offset-4"
          to={`/jobs/${page.job.id}/prove`}
        >
          to Prove
        </Link>
      </h3>
      <ul className="flex flex-wrap gap-x-6 border-ink border-t-2 border-b border-b-rule py-1">
        {rows.map(({ proof, words, verdict }) => (
          <li key={proof} className="flex items-center gap-2 py-1">
            <VerdictShape verdict={verdict} />
            <span>
              {words}: {verdict === "fail" ? "failed" : "not seen"}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
