import { Lock } from "lucide-react";
import { AlertDialog } from "radix-ui";
import { type MouseEvent, useState } from "react";
import { Link, redirect, useNavigate } from "react-router";
import { v4 as newId } from "uuid";
import { chosenParts, complaintOf, findingOf, type NotWritten, notWritten } from "../../../core/job/index.ts";
import { mayClose, standing } from "../../../core/ledger/index.ts";
import { signJob } from "../../../server/jobs/sign-job.ts";
import { Refusal } from "../../../server/refusal.ts";
import { checkForm } from "../../shell/forms.ts";
import { guarded } from "../../shell/guard.server.ts";
import { keptPosting } from "../../shell/kept/posting.ts";
import { useMember } from "../../shell/member.ts";
import { readForm } from "../../shell/read-body.server.ts";
import { STAGE_NAMES } from "../../shell/stage-names.ts";
import { Button } from "../../ui/Button.tsx";
import { clockOf, dateOf } from "../../ui/dates.ts";
import { TextArea } from "../../ui/Field.tsx";
import { useRest } from "../../ui/useRest.ts";
import { useReturnFocus } from "../../ui/useReturnFocus.ts";
import { useJob } from "../context.ts";
import { useOutbox, useOutboxState } from "../outbox/OutboxProvider.tsx";
import type { Unsent } from "../outbox/outbox.ts";
import { useDraft } from "../outbox/useDraft.ts";
import { Work } from "../Work.tsx";
import { openSent, SignForm } from "./sign.form.ts";

const LEAST_REASON = 10;

export const action = guarded("technician", async ({ request, params, desk }) => {
  const checked = checkForm(SignForm, await readForm(request));
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  await desk((given) => signJob(given, params.jobId ?? "", checked.value));
  return redirect(`/jobs/${params.jobId}/sign`);
});

export const clientAction = keptPosting();

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

/** What the signer is told once more, at another place than the first tap, before the job is locked. */
function Confirm({
  isOpen,
  open,
  missing,
  onSign,
  onLeave,
}: {
  isOpen: boolean;
  open: number;
  missing: NotWritten[];
  onSign: () => void;
  onLeave: () => void;
}) {
  const { name } = useMember();
  const isResting = useRest(isOpen);
  const focus = useReturnFocus();
  // The second half of a double tap takes the focus nowhere.
  const keepsFocus = (event: MouseEvent) => event.preventDefault();
  return (
    <AlertDialog.Root open={isOpen} onOpenChange={(stays) => !stays && onLeave()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-50 bg-black/40" onMouseDown={keepsFocus} />
        <AlertDialog.Content className="dialog" onMouseDown={keepsFocus} {...focus}>
          <AlertDialog.Title className="font-bold text-2xl">
            {open === 0 ? "Sign and lock this job?" : `Sign and lock it with ${open} open?`}
          </AlertDialog.Title>
          <AlertDialog.Description>
            After this only corrections can be booked. Your name goes under it: {name}.
          </AlertDialog.Description>
          {missing.length > 0 && (
            <div>
              <p className="font-bold">Not written in the book</p>
              <ul className="list-disc pl-6">
                {missing.map(({ words }) => (
                  <li key={words}>{words}</li>
                ))}
              </ul>
            </div>
          )}
          <div className="flex flex-wrap justify-between gap-3">
            <Button isResting={isResting} onClick={onSign}>
              {open === 0 ? "Yes, sign the job" : `Yes, sign with ${open} open`}
            </Button>
            <AlertDialog.Cancel asChild>
              <Button weight="main">Not yet</Button>
            </AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}

/** Signed here, with no server to lock it yet. */
function SignedHere({ unsent }: { unsent: Unsent }) {
  const { timeZone } = useJob();
  const outbox = useOutbox();
  return (
    <Work title="Signed here, not sent yet">
      <p role="status" className="text-xl">
        Signed at {clockOf(unsent.entry.at, timeZone)}. It is locked once the server has it
        {unsent.stuck ? "" : "; nothing more is booked here until then"}.
      </p>
      {unsent.stuck && <p className="border-ink border-l-4 pl-3 font-bold">{unsent.stuck}</p>}
      <div>
        <Button onClick={() => void outbox.discard(unsent.entry.id)}>Take the signature back</Button>
      </div>
      <Summary />
    </Work>
  );
}

/** What usually stands in a book and doesn't in this one, each with the way to where it is written. */
function Missing({ missing }: { missing: NotWritten[] }) {
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
              to={`/jobs/${page.job.id}/${stage}`}
            >
              to {STAGE_NAMES[stage]}
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The open balance in words. Something open takes a reason; signing is asked for once more, elsewhere. */
export default function Sign() {
  const { page, entries, system, book, mayBook, mayCorrect, waiting, unsentSignature } = useJob();
  const { unsent } = useOutboxState();
  const outbox = useOutbox();
  const { role } = useMember();
  const [reason, setReason] = useDraft(`reason:${page.job.id}`);
  const [asked, setAsked] = useState<string>();
  const [isTold, setTold] = useState(false);
  if (page.job.signedAt) return <Signed />;
  if (unsentSignature) return <SignedHere unsent={unsentSignature} />;
  const shown = mayClose(entries, system).because;
  const metric = mayClose(entries).because;
  const missing = notWritten(entries);
  const isEmpty = standing(entries).length === 0;
  const refused = unsent.find(
    ({ jobId, parcel, refused: why }) => jobId === page.job.id && parcel?.kind === "signature" && why,
  );
  const state = [...metric, ...missing.map(({ words }) => words)].join("|");
  const tooShort = shown.length > 0 && reason.trim().length < LEAST_REASON;
  const ask = () => {
    setTold(tooShort);
    if (!tooShort) setAsked(state);
  };
  const sign = () => {
    setAsked(undefined);
    const said = reason.trim();
    if (refused) void outbox.discard(refused.entry.id);
    book({ kind: "decision", item: "signed", text: said || "everything is accounted for" }, [newId()], {
      kind: "signature",
      reason: said,
      openSeen: openSent(metric),
      openCount: metric.length,
    });
  };
  return (
    <Work title="Do the books balance?">
      <div>
        {isEmpty ? (
          <p className="font-bold text-3xl">The book is empty.</p>
        ) : shown.length === 0 ? (
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
      <Missing missing={missing} />
      {isEmpty && <p>There is nothing to sign: write down what was done first, in one line at least.</p>}
      {shown.length > 0 && (
        <TextArea
          label="Why may it go like this?"
          rows={2}
          maxLength={2000}
          value={reason}
          error={isTold && tooShort ? "Say why it may go like this, in 10 letters or more." : undefined}
          onChange={(event) => setReason(event.target.value)}
          disabled={!mayBook}
          hint="Your name goes under it"
        />
      )}
      {refused && (
        <p role="alert" className="border-ink border-l-4 pl-3 font-bold">
          {refused.refused} Nothing was signed.
        </p>
      )}
      {role === "desk" && <p>Only technicians sign.</p>}
      <div>
        <Button weight="main" onClick={ask} disabled={!mayBook || isEmpty}>
          {shown.length === 0 ? "Sign the job" : `Sign with ${shown.length} open`}
        </Button>
      </div>
      {waiting.size > 0 && (
        <p className="text-ink-2">
          {waiting.size === 1 ? "One line isn't" : `${waiting.size} lines aren't`} sent yet; the signature
          goes after {waiting.size === 1 ? "it" : "them"}.
        </p>
      )}
      <Confirm
        isOpen={asked !== undefined && asked === state && mayCorrect}
        open={shown.length}
        missing={missing}
        onSign={sign}
        onLeave={() => setAsked(undefined)}
      />
      <Summary />
    </Work>
  );
}
