import { useState } from "react";
import { v4 as newId } from "uuid";
import { signed } from "../../../core/book/acts/index.ts";
import { maySign, reasonTrouble } from "../../../core/stages/sign/index.ts";
import { provenCar } from "../../../core/state/index.ts";
import { USUAL_RULES } from "../../../core/trade/follow-ups/index.ts";
import { type LooksToldBy, readLooks } from "../../../server/subjects/follow-ups/read-looks.ts";
import { guarded } from "../../desk/guard.server.ts";
import { useMember } from "../../desk/member.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { keptReading } from "../../kept/reading.ts";
import { useOutbox, useOutboxLines } from "../../outbox/OutboxProvider.tsx";
import { Button } from "../../ui/Button.tsx";
import { TextArea } from "../../ui/Field.tsx";
import { useJob, useWaiting } from "../stage/context.ts";
import { type StageRead, stage } from "../stage/stage.tsx";
import { type Tool, ToolTabs } from "../stage/ToolTabs.tsx";
import { Work } from "../stage/Work.tsx";
import { ConfirmSignature } from "./ConfirmSignature.tsx";
import { Guarantees } from "./Guarantees.tsx";
import { HandOver } from "./HandOver.tsx";
import { Looks } from "./looks/Looks.tsx";
import { Missing } from "./Missing.tsx";
import { ReportLinks } from "./ReportLinks.tsx";
import { Signed } from "./Signed.tsx";
import { SignedHere } from "./SignedHere.tsx";
import { Summary } from "./Summary.tsx";
import { openSent } from "./sign.form.ts";
import { Unproven } from "./Unproven.tsx";

/** What settles these is in their own words already. */
const SAYS_IT_ITSELF: ReadonlySet<string> = new Set(["step", "task", "to-get", "level", "check"]);

export const loader = guarded("desk", async ({ params, desk, member }) =>
  desk((given) => readLooks(given, params.jobId ?? "", member.timeZone)),
);

/** A page that is first opened without a server promises by the usual rules; the server promises by the shop's own. */
export const clientLoader = keptReading<LooksToldBy>("job/sign/route", async () => ({
  rules: [...USUAL_RULES],
  driving: null,
  today: new Date().toISOString().slice(0, 10),
}));

/** It only goes there: what signs has a button of its own. */
const TO_SIGNATURE = {
  label: "To the signature",
  onGo: () => {
    const why = document.querySelector<HTMLTextAreaElement>("[data-sign] textarea");
    const to = why && !why.value.trim() ? why : document.querySelector<HTMLElement>("[data-sign] button");
    to?.focus();
  },
};

/** The open balance in words. Something open takes a reason; signing is asked for once more, elsewhere. */
function Sign({ read: looks }: StageRead<typeof loader>) {
  const { page, entries, system, book, mayBook, mayCorrect, ownSignature } = useJob();
  const waiting = useWaiting();
  const { unsent } = useOutboxLines();
  const outbox = useOutbox();
  const { role } = useMember();
  const [reason, setReason] = useDraft(`reason:${page.job.id}`);
  const [asked, setAsked] = useState<string>();
  const [isTold, setTold] = useState(false);
  const [isOvertaken, setOvertaken] = useState(false);
  if (page.job.signedAt) return <Signed looks={looks} />;
  if (ownSignature) return <SignedHere signature={ownSignature} />;
  const may = maySign(entries, provenCar(page.card), system);
  const { isEmpty, open: shown, openWords: metric, missing, unproven: notProven, wantsReason: asksWhy } = may;
  const refused = unsent.find(
    ({ jobId, parcel, refused: why }) => jobId === page.job.id && parcel?.kind === "signature" && why,
  );
  const state = [
    ...metric,
    ...missing.map(({ words }) => words),
    ...notProven.map(({ proof }) => proof),
  ].join("|");
  // Over for good: a book that comes to say the same again must not ask by itself, under a finger.
  if (asked !== undefined && asked !== state) {
    setAsked(undefined);
    setOvertaken(true);
  }
  const trouble = reasonTrouble(may, reason);
  const ask = () => {
    setTold(trouble !== undefined);
    setOvertaken(false);
    if (!trouble) setAsked(state);
  };
  const sign = () => {
    setAsked(undefined);
    const said = reason.trim();
    if (refused) void outbox.discard(refused.entry.id);
    book(signed(said), [newId()], {
      kind: "signature",
      reason: said,
      openSeen: openSent(metric),
      openCount: metric.length,
    });
  };
  const tools: Tool[] = [
    ...(isEmpty ? [] : [["hand-over", "At hand-over", <HandOver key="hand-over" />] as Tool]),
    ["guarantee", "Guarantee", <Guarantees key="guarantee" />],
    ...(isEmpty ? [] : [["looks", "To look at again", <Looks key="looks" {...looks} />] as Tool]),
    [
      "short",
      "In short",
      <div key="short" className="flex flex-col gap-5">
        <Summary />
        {!isEmpty && <ReportLinks />}
      </div>,
    ],
  ];
  return (
    <Work title="Do the books balance?" isDrawn={({ id }) => id === "sign"} toDrawn={TO_SIGNATURE}>
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
            <ul className="gap-x-8 border-ink border-t-2 sm:columns-2">
              {shown.map(({ about, words, settledBy, line }, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: two things may be open in the same words
                <li key={`${index} ${words}`} className="break-inside-avoid border-rule border-b py-1">
                  {words}
                  {(line ? line.open < 0 : !SAYS_IT_ITSELF.has(about)) && (
                    <span className="block text-ink-2">{settledBy}</span>
                  )}
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
      {(notProven.length > 0 || missing.length > 0) && (
        <div className="grid items-start gap-x-8 gap-y-5 max-sm:gap-y-1 xl:grid-cols-2">
          <Unproven rows={notProven} />
          <Missing missing={missing} />
        </div>
      )}
      {isEmpty && <p>There is nothing to sign: write down what was done first, in one line at least.</p>}
      <div data-sign className="flex flex-col gap-5">
        {asksWhy && !isEmpty && (
          <TextArea
            label="Why may it go like this?"
            rows={2}
            maxLength={2000}
            value={reason}
            error={isTold ? trouble : undefined}
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
        {isOvertaken && (
          <p role="alert" className="border-ink border-l-4 pl-3 font-bold">
            The book has changed since you asked. Read what is open again, then sign.
          </p>
        )}
        {role === "desk" && <p>Only technicians sign.</p>}
        <div>
          <Button weight="main" onClick={ask} disabled={!mayBook || isEmpty}>
            {shown.length === 0 ? "Sign the job" : `Sign with ${shown.length} open`}
          </Button>
        </div>
      </div>
      {waiting.size > 0 && (
        <p className="text-ink-2">
          {waiting.size === 1 ? "One line isn't" : `${waiting.size} lines aren't`} sent yet; the signature
          goes after {waiting.size === 1 ? "it" : "them"}.
        </p>
      )}
      <ConfirmSignature
        isOpen={asked !== undefined && asked === state && mayCorrect}
        open={shown.length}
        missing={missing}
        onSign={sign}
        onLeave={() => setAsked(undefined)}
      />
      <ToolTabs label="Sign" tools={tools} />
    </Work>
  );
}

export default stage<typeof loader>(Sign);
