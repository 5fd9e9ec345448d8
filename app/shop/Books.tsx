import { Form, Link } from "react-router";
import type { Verified } from "../../server/verify/verify-shop.ts";
import { Button } from "../ui/Button.tsx";
import { whenOf } from "../ui/dates.ts";
import { VerdictShape } from "../ui/VerdictMark.tsx";

const MOST_SHOWN = 12;

/** Whether each line of every book is still what was written, as it was last looked at. */
export function Books({
  verified,
  isReading,
  timeZone,
  isLead,
  isBusy,
}: {
  verified: Verified | null;
  isReading: boolean;
  timeZone: string;
  isLead: boolean;
  isBusy: boolean;
}) {
  const broken = verified?.broken ?? [];
  const state = verified ? (broken.length === 0 ? "Unbroken" : "Not as written") : "Not looked at yet";
  return (
    <>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p className="flex items-center gap-2 font-bold">
          <VerdictShape verdict={verified ? (broken.length === 0 ? "pass" : "fail") : "not-seen"} />
          {verified ? `${state}, looked at ${whenOf(verified.at, timeZone)}` : state}
        </p>
        {isLead && (
          <Form method="post">
            <input type="hidden" name="what" value="verify" />
            <Button type="submit" disabled={isBusy}>
              Look now
            </Button>
          </Form>
        )}
      </div>
      {isReading && (
        <p role="status" className="mt-2">
          They are being read through. Load this page again in a minute.
        </p>
      )}
      <p className="mt-1 text-ink-2">
        {verified &&
          `${verified.lines} lines of ${verified.jobs} jobs, each held against the hash it was written with. `}
        Whoever runs the server reads the logs as well: npm run verify
      </p>
      {broken.length > 0 && (
        <ul className="mt-2">
          {broken.slice(0, MOST_SHOWN).map(({ jobId, number, fromLine, why }) => (
            <li key={jobId} className="border-rule border-b py-2">
              <Link to={`/jobs/${jobId}`} className="font-bold underline underline-offset-4">
                Job {number}
              </Link>
              {fromLine === null ? ": " : `, from line ${fromLine} on: `}
              {why}.
            </li>
          ))}
          {broken.length > MOST_SHOWN && <li className="py-2">and {broken.length - MOST_SHOWN} more.</li>}
        </ul>
      )}
    </>
  );
}
