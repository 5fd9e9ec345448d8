import { Lock } from "lucide-react";
import { useNavigate } from "react-router";
import type { LooksToldBy } from "../../../server/subjects/follow-ups/read-looks.ts";
import { clockOf, dateOf } from "../../ui/dates.ts";
import { useJob } from "../stage/context.ts";
import { Work } from "../stage/Work.tsx";
import { Looks } from "./looks/Looks.tsx";
import { ReportLinks } from "./ReportLinks.tsx";
import { Summary } from "./Summary.tsx";

/** A signed job: by whom, when, and why it was allowed to go with something open. */
export function Signed({ looks }: { looks: LooksToldBy }) {
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
          <span className="block text-ink-2">Signed with something open or not seen, because</span>
          <span className="font-bold">{job.signReason}</span>
        </p>
      )}
      <Looks {...looks} />
      <Summary />
      <p>
        A wrong line is put right by a new one that names it: tap its time in the book, or type correct and
        its number. Say why behind “because”: the report tells both.
      </p>
      <ReportLinks />
    </Work>
  );
}
