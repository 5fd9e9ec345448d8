import { Link } from "react-router";
import { thing } from "../../core/book/out/index.ts";
import { fromWords, type WhereFrom } from "../../core/report/index.ts";
import type { PartLife } from "../../core/stages/earlier-jobs/index.ts";
import type { Found } from "../../core/state/index.ts";
import { useMember } from "../desk/member.ts";
import { dateOf } from "../ui/dates.ts";

export interface TimelineJob {
  id: string;
  number: number;
  openedAt: string;
  signedAt: string | null;
  signedBy: string | null;
  from: Pick<WhereFrom, "shop" | "number" | "readInAt"> | null;
  complaint: string | null;
  finding: Found | null;
  parts: PartLife[];
  entries: number;
}

/** Every job of a vehicle, newest on top. */
export function Timeline({ jobs }: { jobs: TimelineJob[] }) {
  const { timeZone } = useMember();
  return (
    <section aria-labelledby="jobs">
      <h2 id="jobs" className="mb-3 text-2xl">
        Jobs
      </h2>
      {jobs.length === 0 && <p>No job yet. Open the first one above.</p>}
      <ol className="border-ink border-l-2">
        {jobs.map((job) => (
          <li key={job.id} className="relative pb-5 pl-6">
            <span
              aria-hidden="true"
              className={`absolute top-2 -left-[9px] size-4 rounded-full border-2 border-ink ${job.signedAt ? "bg-ink" : "bg-paper"}`}
            />
            <p className="flex flex-wrap items-baseline gap-x-4">
              <Link
                to={`/jobs/${job.id}`}
                className="inline-flex min-h-11 items-center font-bold text-lg underline underline-offset-4"
              >
                {dateOf(job.openedAt, timeZone)}
              </Link>
              <span className="figure text-ink-2">№ {job.number}</span>
              <span className="text-ink-2">
                {[
                  job.signedAt ? `signed by ${job.signedBy}` : "open",
                  job.from && fromWords(job.from, (iso) => dateOf(iso, timeZone)),
                ]
                  .filter(Boolean)
                  .join(", ")}
              </span>
            </p>
            <p>{job.complaint ?? "Complaint not written yet"}</p>
            {job.finding && (
              <p className="text-ink-2">
                {job.finding.kind === "nothing-wrong" ? "Nothing wrong: " : "Found: "}
                {job.finding.words}
              </p>
            )}
            {job.parts.length > 0 && (
              <p className="text-ink-2">
                Fitted:{" "}
                {job.parts
                  .map((part) => `${thing({ ...part, account: "part" })} (${part.grade}, ${part.supplier})`)
                  .join("; ")}
              </p>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
