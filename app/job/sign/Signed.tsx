import { Lock } from "lucide-react";
import { useNavigate } from "react-router";
import { clockOf, dateOf } from "../../ui/dates.ts";
import { useJob } from "../context.ts";
import { Work } from "../Work.tsx";
import { Summary } from "./Summary.tsx";

/** A signed job: by whom, when, and why it was allowed to go with something open. */
export function Signed() {
  const { page, timeZone } = useJob();
  const { job } = page;
  const navigate = useNavigate();
  return (
    <Work title="Signed and locked" next={{ label: "To today's jobs", onGo: () => void navigate("/") }}>
      <p className="flex items-center gap-3 text-xl">
        <Lock aria-hidden="true" />
        <span>
          <span className="font-bold">{job.signedBy}</span>,{" "}
          {job.signedAt && `${dateOf(job.signedAt, timeZone)}, ${clockOf(job.signedAt, timeZone)}`}
        </span>
      </p>
      {job.signReason && (
        <p className="border-ink border-l-[6px] bg-wash py-2 pl-4">
          <span className="block text-ink-2">Signed with something open, because</span>
          <span className="font-bold">{job.signReason}</span>
        </p>
      )}
      <Summary />
      <p>
        A wrong line is put right by a new one that names it: tap its time in the book, or type correct and
        its number.
      </p>
      <p>
        <a
          className="inline-flex min-h-12 items-center font-bold underline underline-offset-4"
          href={`/jobs/${job.id}/job.json`}
          download={`job-${job.number}.json`}
        >
          The whole job as JSON
        </a>
      </p>
    </Work>
  );
}
