import { Dialog } from "radix-ui";
import { memo, useEffect, useRef, useState } from "react";
import { type Stage } from "../../../core/book/entry/index.ts";
import { openItems } from "../../../core/state/index.ts";
import { useKeys } from "../../keys/useKeys.ts";
import type { JobContext } from "../stage/context.ts";
import { Balance } from "./Balance.tsx";
import { BookLines } from "./BookLines.tsx";
import { EntryLine } from "./EntryLine.tsx";
import { TwiceInBook } from "./TwiceInBook.tsx";
import type { GivenLine } from "./useEntryLine.ts";

function Inside({ context, stage, open }: { context: JobContext; stage: Stage; open: string[] }) {
  const [line, setLine] = useState<GivenLine>();
  return (
    <>
      <BookLines
        context={context}
        onCorrect={(seq) => setLine({ text: `correct ${seq} `, at: Date.now() })}
      />
      <TwiceInBook context={context} onStrike={(seq) => setLine({ text: `strike ${seq}`, at: Date.now() })} />
      <Balance open={open} />
      <EntryLine context={context} stage={stage} given={line} />
    </>
  );
}

const entryLine = (within: ParentNode = document) => within.querySelector<HTMLElement>("[data-entry-line]");

/** The job's book: beside the work on a wide screen, a drawer with its open balance as handle on a narrow one. */
export const Book = memo(function Book({ context, stage }: { context: JobContext; stage: Stage }) {
  const open = openItems(context.entries, context.system).map((item) => item.words);
  const [isOut, setOut] = useState(false);
  const toLine = useRef(false);
  useKeys("The book", [
    {
      key: "/",
      what: "the entry line",
      act: () => {
        const aside = document.querySelector<HTMLElement>('aside[aria-label="Book"]');
        if (aside?.checkVisibility()) return entryLine(aside)?.focus();
        toLine.current = true;
        setOut(true);
      },
    },
  ]);
  // A drawer has no place on a wide screen: turned or zoomed out, the book stands beside the work again.
  useEffect(() => {
    const wide = matchMedia("(min-width: 68rem) and (min-height: 34rem)");
    const look = () => wide.matches && setOut(false);
    wide.addEventListener("change", look);
    return () => wide.removeEventListener("change", look);
  }, []);
  return (
    <>
      <aside
        aria-label="Book"
        className="hidden min-h-0 flex-col border-rule border-l bg-sheet book:flex book:h-full print:block print:h-auto print:border-l-0"
      >
        <Inside context={context} stage={stage} open={open} />
      </aside>
      <Dialog.Root open={isOut} onOpenChange={setOut}>
        <Dialog.Trigger className="bottom-[calc(3.5rem+1px)] z-20 flex min-h-14 w-full items-center gap-3 border-ink border-t-4 border-double bg-sheet px-5 text-left tall:sticky rail:bottom-0 book:hidden print:hidden">
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
            className="fixed inset-x-0 bottom-0 z-50 flex h-[92dvh] flex-col overflow-y-auto border-ink border-t-2 bg-sheet book:hidden"
            onOpenAutoFocus={(event) => {
              if (!toLine.current) return;
              toLine.current = false;
              event.preventDefault();
              if (event.currentTarget instanceof HTMLElement) entryLine(event.currentTarget)?.focus();
            }}
          >
            <Dialog.Title className="sr-only">Book</Dialog.Title>
            <Inside context={context} stage={stage} open={open} />
            <Dialog.Close className="min-h-12 shrink-0 border-rule border-t font-bold underline">
              Put the book away
            </Dialog.Close>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
});
