import { Dialog } from "radix-ui";
import { useRef, useState } from "react";
import { correctedBecause } from "../../../core/book/acts/index.ts";
import { correctedIds, type Entry, isStrike } from "../../../core/book/entry/index.ts";
import { factOf } from "../../../core/book/facts/index.ts";
import { Button } from "../../ui/Button.tsx";
import { clockOf, dateOf } from "../../ui/dates.ts";
import { ReasonForm } from "../../ui/ReasonForm.tsx";
import { useReturnFocus } from "../../ui/useReturnFocus.ts";
import type { JobContext } from "../stage/context.ts";
import { lineWords } from "./line-words.ts";

/** Why a line stays as it is; nothing where it can be corrected. */
function staysBecause(entry: Entry, context: JobContext): string | undefined {
  const stays = factOf(entry)?.kind.staysBecause;
  if (stays) return `${stays}.`;
  if (context.parcels.has(entry.id)) return "It is on its way; what isn't sent is taken back under “unsent”.";
  const by = context.entries.find((each) => each.corrects === entry.id);
  if (correctedIds(context.entries).has(entry.id))
    return by ? `Line ${by.seq} has corrected it: open that one.` : "It has been corrected.";
  return undefined;
}

/** One line of the book, opened: who wrote it and when, and the two ways to put it right. */
export function LineDialog({
  entry,
  context,
  onCorrect,
  onClose,
}: {
  entry: Entry;
  context: JobContext;
  onCorrect: (seq: number) => void;
  onClose: () => void;
}) {
  const { entries, system, timeZone, page, book } = context;
  const stays = staysBecause(entry, context);
  const focus = useReturnFocus();
  // The correction is typed in the entry line: focus is on its way there.
  const isCorrecting = useRef(false);
  const mayCorrect = context.mayMend(entry) && !stays;
  const isSigned = page.job.signedAt !== null;
  const [asksWhy, setAsksWhy] = useState(false);
  const strike = (why?: string) => {
    const struck = { kind: entry.kind, corrects: entry.id };
    book(why ? [struck, correctedBecause(entry.id, why)] : struck);
    onClose();
  };
  const strikes = isStrike(entry) ? entries.find((each) => each.id === entry.corrects) : undefined;
  return (
    <Dialog.Root open onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-50 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={focus.onOpenAutoFocus}
          onCloseAutoFocus={(event) => {
            if (isCorrecting.current) event.preventDefault();
            focus.onCloseAutoFocus(event);
          }}
          className="fixed top-1/2 left-1/2 z-[60] flex max-h-[90dvh] w-[28rem] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col gap-4 overflow-y-auto rounded-md border-2 border-ink bg-sheet p-6"
        >
          <Dialog.Title className="font-bold text-xl">Line {entry.seq}</Dialog.Title>
          <p className="break-words text-lg">{lineWords(entry, system, entries)}</p>
          <p className="text-ink-2">
            {page.names[entry.by] ?? "Somebody"}, {dateOf(entry.at, timeZone)}, {clockOf(entry.at, timeZone)}
          </p>
          {stays && <p className="border-ink border-l-4 pl-3">{stays}</p>}
          <div className="flex flex-col gap-3">
            {mayCorrect && !strikes && (
              <Button
                className="min-h-14"
                onClick={() => {
                  isCorrecting.current = true;
                  onClose();
                  onCorrect(entry.seq);
                }}
              >
                Correct it
              </Button>
            )}
            {mayCorrect && !asksWhy && (
              <Button className="min-h-14" onClick={() => (isSigned ? setAsksWhy(true) : strike())}>
                {strikes ? `Bring line ${strikes.seq} back` : "Strike it out"}
              </Button>
            )}
            {asksWhy && (
              <ReasonForm
                label="Why, as the job is signed"
                onBook={strike}
                onLeave={() => setAsksWhy(false)}
              />
            )}
            <Dialog.Close asChild>
              <Button weight="quiet">Leave it</Button>
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
