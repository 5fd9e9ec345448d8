import { Dialog } from "radix-ui";
import { useState } from "react";
import { openItems, type Stage } from "../../../core/ledger/index.ts";
import type { JobContext } from "../context.ts";
import { Balance } from "./Balance.tsx";
import { BookLines } from "./BookLines.tsx";
import { EntryLine } from "./EntryLine.tsx";

function Inside({ context, stage, open }: { context: JobContext; stage: Stage; open: string[] }) {
  const [line, setLine] = useState<{ text: string; at: number }>();
  return (
    <>
      <BookLines
        context={context}
        onCorrect={(seq) => setLine({ text: `correct ${seq} `, at: Date.now() })}
      />
      <Balance open={open} />
      <EntryLine context={context} stage={stage} given={line} />
    </>
  );
}

/** The job's book: beside the work on a wide screen, a drawer with its open balance as handle on a narrow one. */
export function Book({ context, stage }: { context: JobContext; stage: Stage }) {
  const open = openItems(context.entries, context.system).map((item) => item.words);
  return (
    <>
      <aside aria-label="Book" className="hidden h-dvh flex-col border-rule border-l bg-sheet book:flex">
        <Inside context={context} stage={stage} open={open} />
      </aside>
      <Dialog.Root>
        <Dialog.Trigger className="fixed right-0 bottom-[calc(3.6rem+1px)] left-0 z-20 flex min-h-14 items-center gap-3 border-ink border-t-4 border-double bg-sheet px-5 text-left md:bottom-0 md:left-[84px] book:hidden">
          <span className="font-bold">Book</span>
          <span className="flex-1 truncate">
            {open.length === 0 ? "balanced" : `${open.length} open: ${open[0]}`}
          </span>
          <span className="font-bold underline">Open</span>
        </Dialog.Trigger>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40 book:hidden" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed inset-x-0 bottom-0 z-50 flex h-[85dvh] flex-col border-ink border-t-2 bg-sheet book:hidden"
          >
            <Dialog.Title className="sr-only">Book</Dialog.Title>
            <Inside context={context} stage={stage} open={open} />
            <Dialog.Close className="min-h-12 border-rule border-t font-bold underline">
              Put the book away
            </Dialog.Close>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
}
