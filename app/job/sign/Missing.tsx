import { Link } from "react-router";
import type { NotWritten } from "../../../core/job/index.ts";
import { STAGE_NAMES } from "../../shell/stage-names.ts";
import { useJob } from "../context.ts";

/** What usually stands in a book and doesn't in this one, each with the way to where it is written. */
export function Missing({ missing }: { missing: NotWritten[] }) {
  const { page } = useJob();
  if (missing.length === 0) return null;
  return (
    <div>
      <h3 className="font-bold text-xl">Not written</h3>
      <ul className="border-ink border-t-2">
        {missing.map(({ words, stage }) => (
          <li
            key={words}
            className="flex flex-wrap items-center justify-between gap-x-4 border-rule border-b py-1"
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
    </div>
  );
}
