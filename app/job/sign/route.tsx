import { Lock } from "lucide-react";
import { useState } from "react";
import { redirect, useActionData, useNavigation, useSubmit } from "react-router";
import { v4 as newId } from "uuid";
import { chosenParts, complaintOf, findingOf } from "../../../core/job/index.ts";
import { mayClose } from "../../../core/ledger/index.ts";
import { signJob } from "../../../server/jobs/sign-job.ts";
import { Refusal } from "../../../server/refusal.ts";
import { checkForm } from "../../shell/forms.ts";
import { guarded, type Refused } from "../../shell/guard.server.ts";
import { readForm } from "../../shell/read-body.server.ts";
import { clockOf, dateOf } from "../../ui/dates.ts";
import { TextArea } from "../../ui/Field.tsx";
import { useJob } from "../context.ts";
import { useOutboxState } from "../outbox/OutboxProvider.tsx";
import { useDraft } from "../outbox/useDraft.ts";
import { Work } from "../Work.tsx";
import { openSent, SignForm } from "./sign.form.ts";

export const action = guarded("technician", async ({ request, params, desk }) => {
  const checked = checkForm(SignForm, await readForm(request));
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  await desk((given) => signJob(given, params.jobId ?? "", checked.value));
  return redirect(`/jobs/${params.jobId}/sign`);
});

function Summary() {
  const { entries } = useJob();
  const finding = findingOf(entries);
  const parts = chosenParts(entries);
  const rows: [string, string][] = [
    ["Complaint", complaintOf(entries) ?? "not written"],
    ["Found", finding ? finding.words : "no finding yet"],
    [
      "Parts",
      parts.length > 0
        ? parts.map((part) => `${part.words}, ${part.grade}, ${part.supplier}`).join("; ")
        : "none",
    ],
  ];
  return (
    <dl className="border-ink border-t-2">
      {rows.map(([name, words]) => (
        <div key={name} className="grid gap-x-4 border-rule border-b py-2 sm:grid-cols-[8rem_1fr]">
          <dt className="text-ink-2">{name}</dt>
          <dd>{words}</dd>
        </div>
      ))}
    </dl>
  );
}

function Signed() {
  const { page, timeZone } = useJob();
  const { job } = page;
  return (
    <Work title="Signed and locked">
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

/** The open balance in words. Something open takes a reason and a second tap. */
export default function Sign() {
  const { page, entries, system, mayBook, waiting } = useJob();
  const answer = useActionData() as Refused | undefined;
  const isBusy = useNavigation().state !== "idle";
  const { isCutOff } = useOutboxState();
  const submit = useSubmit();
  const [reason, setReason] = useDraft(`reason:${page.job.id}`);
  const [id] = useState(() => newId());
  const [tapped, setTapped] = useState("");
  const [isAsked, setAsked] = useState(false);
  if (page.job.signedAt) return <Signed />;
  const shown = mayClose(entries, system).because;
  const metric = mayClose(entries).because;
  const asked = metric.join("|");
  const isSecond = shown.length > 0 && tapped === asked;
  const tooShort = shown.length > 0 && reason.trim().length < 10;
  const sign = () => {
    if (tooShort) return setAsked(true);
    if (shown.length > 0 && !isSecond) return setTapped(asked);
    const openSeen = JSON.stringify(openSent(metric));
    void submit(
      { id, reason: reason.trim(), openSeen, openCount: String(metric.length) },
      { method: "post" },
    );
  };
  const label =
    shown.length === 0
      ? "Sign the job"
      : isSecond
        ? `Yes, sign with ${shown.length} open`
        : `Sign with ${shown.length} open`;
  const error =
    answer?.refused.fields.reason ??
    (isAsked && tooShort ? "Say why it may go like this, in 10 letters or more." : undefined);
  return (
    <Work
      title="Do the books balance?"
      next={{ label, onClick: sign, disabled: !mayBook || isBusy || waiting.size > 0 }}
    >
      <div>
        {shown.length === 0 ? (
          <p className="font-bold text-3xl">Everything is accounted for.</p>
        ) : (
          <>
            <p className="mb-2 font-bold text-3xl">
              {shown.length === 1 ? "One thing is open" : `${shown.length} things are open`}
            </p>
            <ul className="border-ink border-t-2">
              {shown.map((words) => (
                <li key={words} className="border-rule border-b py-1">
                  {words}
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
      {shown.length > 0 && (
        <TextArea
          label="Why may it go like this?"
          rows={2}
          maxLength={2000}
          value={reason}
          error={error}
          onChange={(event) => setReason(event.target.value)}
          disabled={!mayBook}
          hint="Your name goes under it"
        />
      )}
      {isSecond && (
        <p role="alert" className="border-ink border-l-[6px] bg-wash py-2 pl-4 font-bold">
          The job will be locked with {shown.length === 1 ? "this" : "these"} open, under your name. Tap again
          to sign.
        </p>
      )}
      {waiting.size > 0 && (
        <p role="status">
          {isCutOff ? "No server to be had: " : ""}The book isn't all sent yet. It can be signed as soon as it
          is.
        </p>
      )}
      {answer?.refused.message && (
        <p role="alert" className="border-ink border-l-4 pl-3 font-bold">
          {answer.refused.message}
        </p>
      )}
      <Summary />
    </Work>
  );
}
