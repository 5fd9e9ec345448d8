import { ChevronDown, ChevronRight, Undo2 } from "lucide-react";
import { type ReactNode, useState } from "react";
import {
  notBackDrafts,
  notDoneDrafts,
  notOffDrafts,
  stepDoneDrafts,
  tookOff,
} from "../../../core/book/acts/index.ts";
import type { EntryDraft } from "../../../core/book/entry/index.ts";
import { thing } from "../../../core/book/out/index.ts";
import type { ApartRow, ApartThing } from "../../../core/stages/apart/index.ts";
import { Button } from "../../ui/Button.tsx";
import { InMark, OutMark } from "../../ui/OutIn.tsx";
import { useJob } from "../stage/context.ts";
import { tickIds } from "../stage/tick-id.ts";

const wordsOf = (each: ApartThing) => [thing(each), each.where].filter(Boolean).join(", ");

function useBookAll() {
  const { page, entries, book } = useJob();
  return (drafts: EntryDraft[]) => book(drafts, tickIds(page.job.id, entries, drafts));
}

/** What takes an act back where it was tapped: marked, so that the focus passes over it. */
function TakeBack({ label, drafts }: { label: string; drafts: EntryDraft[] }) {
  const { book, mayBook } = useJob();
  if (!mayBook || drafts.length === 0) return null;
  return (
    <Button weight="quiet" className="px-2" data-undoes aria-label={label} onClick={() => book(drafts)}>
      <Undo2 aria-hidden="true" />
    </Button>
  );
}

/** One thing: how many are off and on again, the next move it may make, and how the last one is taken back. */
function ThingRow({ each, isNamed }: { each: ApartThing; isNamed: boolean }) {
  const { entries, mayBook } = useJob();
  const bookAll = useBookAll();
  const { off, back, asked } = each;
  const words = wordsOf(each);
  return (
    <li className={`flex min-h-12 items-center gap-x-3 border-rule ${isNamed ? "border-b" : "border-t"}`}>
      <span className={`min-w-32 flex-1 break-words ${isNamed ? "pl-9 font-bold" : ""}`}>{words}</span>
      {off > 0 && (
        <span className="figure whitespace-nowrap text-out">
          <OutMark /> {off}
        </span>
      )}
      {back > 0 && (
        <span className="figure whitespace-nowrap text-in">
          {back} <InMark />
        </span>
      )}
      {asked !== undefined && off + back === 0 && (
        <Button
          className="px-3"
          disabled={!mayBook}
          aria-label={`Is off: ${words}`}
          onClick={() => bookAll([tookOff(each, Math.max(1, asked), each.where)])}
        >
          {asked > 1 ? `${asked} are off` : "Is off"} <OutMark />
        </Button>
      )}
      {off > 0 && (
        <TakeBack label={`Not off after all: ${thing(each)}`} drafts={notOffDrafts(each, entries)} />
      )}
      {off === 0 && back > 0 && (
        <TakeBack label={`Not back after all: ${thing(each)}`} drafts={notBackDrafts(each, entries)} />
      )}
    </li>
  );
}

const STANDS: Record<ApartRow["stands"], ReactNode> = {
  on: null,
  done: <span className="text-ink-2">done</span>,
  off: (
    <span className="whitespace-nowrap text-out">
      <OutMark /> <span className="text-ink-2">off</span>
    </span>
  ),
  back: (
    <span className="whitespace-nowrap text-in">
      <InMark /> <span className="text-ink-2">on again</span>
    </span>
  ),
};

/** A step, opened into what it takes off; `isInHand` where its own surface above does it. */
function StepRow({ row, isLast, isInHand }: { row: ApartRow; isLast: boolean; isInHand: boolean }) {
  const [asked, setOpen] = useState<boolean>();
  const isOpen = asked ?? isLast;
  const { entries, mayBook } = useJob();
  const bookAll = useBookAll();
  const { step, stands, isReady, things } = row;
  if (!step) return null;
  const { id, name, backName } = step;
  const takesBack =
    stands === "back"
      ? { label: `Not back after all: ${backName ?? name}`, drafts: notBackDrafts({ step: id }, entries) }
      : { label: `Not done after all: ${name}`, drafts: notDoneDrafts(id, entries) };
  return (
    <li className="border-rule border-b">
      <div className="flex min-h-12 items-center gap-3 py-1">
        {things.length > 0 ? (
          <button
            type="button"
            className="-mr-3 min-h-12 w-9 shrink-0"
            aria-expanded={isOpen}
            aria-label={`${isOpen ? "Fold" : "Open"}: ${name}`}
            onClick={() => setOpen(!isOpen)}
          >
            {isOpen ? <ChevronDown aria-hidden="true" /> : <ChevronRight aria-hidden="true" />}
          </button>
        ) : (
          <span className="-mr-3 w-9 shrink-0" />
        )}
        <span className="min-w-0 flex-1 leading-snug">
          <span className={stands === "on" && !isInHand ? "" : "font-bold"}>{name}</span>
          {things.length > 0 && (
            <span className="text-ink-2"> {things.length === 1 ? "1 thing" : `${things.length} things`}</span>
          )}
          {isInHand && <span className="text-ink-2"> in hand</span>}
        </span>
        {STANDS[stands]}
        {stands === "on" && isReady && !isInHand && (
          <Button
            className="px-3"
            disabled={!mayBook}
            aria-label={`Done: ${name}`}
            onClick={() => bookAll(stepDoneDrafts({ id, name }, entries))}
          >
            Done
          </Button>
        )}
        {stands !== "on" && <TakeBack {...takesBack} />}
      </div>
      {isOpen && things.length > 0 && (
        <ul className="pl-9">
          {things.map((each) => (
            <ThingRow key={wordsOf(each)} each={each} isNamed={false} />
          ))}
        </ul>
      )}
    </li>
  );
}

function Rows({ rows, opened, inHand }: { rows: readonly ApartRow[]; opened?: string; inHand?: string }) {
  return rows.map((row) =>
    row.step ? (
      <StepRow key={row.id} row={row} isLast={row.id === opened} isInHand={row.id === inHand} />
    ) : (
      row.things.map((each) => <ThingRow key={`${row.id} ${wordsOf(each)}`} each={each} isNamed />)
    ),
  );
}

const MOST_BEFORE = 3;
const MOST_AHEAD = 4;

/** Steps and things from the top: what came off last, what is in hand, what comes; the rest folded at both ends. */
export function StepsAndThings({ rows, inHand }: { rows: readonly ApartRow[]; inHand?: string }) {
  const moved = rows.filter(({ stands }) => stands !== "on");
  const ahead = rows.filter(({ stands }) => stands === "on");
  const before = moved.slice(0, -MOST_BEFORE);
  const last = moved.slice(-MOST_BEFORE);
  const beyond = ahead.slice(MOST_AHEAD);
  return (
    <div className="border-ink border-t-2">
      {before.length > 0 && (
        <details>
          <summary className="min-h-12 py-3">{before.length} before</summary>
          <ul>
            <Rows rows={before} />
          </ul>
        </details>
      )}
      <ul>
        <Rows rows={last} opened={last.at(-1)?.id} inHand={inHand} />
        <Rows rows={ahead.slice(0, MOST_AHEAD)} inHand={inHand} />
      </ul>
      {beyond.length > 0 && (
        <details>
          <summary className="min-h-12 py-3">and {beyond.length} more</summary>
          <ul>
            <Rows rows={beyond} inHand={inHand} />
          </ul>
        </details>
      )}
    </div>
  );
}

/** The same list from its other end, as far as it is on again: what was said too soon is taken back here. */
export function OnAgain({ rows }: { rows: readonly ApartRow[] }) {
  const back = rows
    .flatMap((row): ApartRow[] => {
      if (row.stands === "back") return [row];
      const things = row.things.filter((each) => each.off === 0 && each.back > 0);
      return things.length > 0 && !row.step ? [{ ...row, things }] : [];
    })
    .reverse();
  if (back.length === 0) return null;
  return (
    <details>
      <summary className="min-h-12 py-3 font-bold">On again: {back.length}</summary>
      <ul className="border-ink border-t-2">
        <Rows rows={back} />
      </ul>
    </details>
  );
}
