import { Fragment, memo, type RefObject, useEffect, useRef, useState } from "react";
import { correctedIds, type Entry } from "../../../core/ledger/index.ts";
import { format, type System } from "../../../core/units/index.ts";
import { clockOf, dayOf } from "../../ui/dates.ts";
import { InMark, OutMark } from "../../ui/OutIn.tsx";
import type { JobContext } from "../context.ts";
import { LineDialog } from "./LineDialog.tsx";
import { lineWords } from "./line-words.ts";
import { useUndo } from "./useUndo.ts";

const amount = (entry: Entry, figure: number, system: System) =>
  entry.account === "coolant" && Number.isFinite(figure)
    ? format(figure, "volume", system).split("\u00a0")[0]
    : String(figure);

/** A book is read from its foot: of a very long one the newest lines are drawn, the rest when they are asked for. */
const MOST_AT_ONCE = 200;
const AT_FOOT_PX = 40;

/** Keeps the newest line in view while the book grows or its room changes, unless somebody reads further up. */
function useFoot(foot: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const scroller = foot.current;
    const content = scroller?.firstElementChild;
    if (!scroller || !content) return;
    let isAtFoot = true;
    let lastTop = 0;
    const follow = () => {
      if (isAtFoot) scroller.scrollTop = scroller.scrollHeight;
    };
    const look = () => {
      const isNear = scroller.scrollHeight - scroller.scrollTop - scroller.clientHeight < AT_FOOT_PX;
      if (isNear) isAtFoot = true;
      else if (scroller.scrollTop < lastTop) isAtFoot = false;
      lastTop = scroller.scrollTop;
    };
    const observer = new ResizeObserver(follow);
    observer.observe(scroller);
    observer.observe(content);
    scroller.addEventListener("scroll", look, { passive: true });
    return () => {
      observer.disconnect();
      scroller.removeEventListener("scroll", look);
    };
  }, [foot]);
}

interface RowGiven {
  entry: Entry;
  words: string;
  time: string;
  by: string;
  isOff: boolean;
  isWaiting: boolean;
  system: System;
  onOpen: (entry: Entry) => void;
  onUndo?: () => void;
}

/** One line, the whole of it a target that opens it. What only tells something is written across the columns. */
const Row = memo(function Row({
  entry,
  words,
  time,
  by,
  isOff,
  isWaiting,
  system,
  onOpen,
  onUndo,
}: RowGiven) {
  const moves = entry.out !== undefined || entry.in !== undefined;
  const figure = (count: number) => (
    <span className={`figure ${isOff ? "line-through" : ""}`}>{amount(entry, count, system)}</span>
  );
  return (
    <tr
      data-line={entry.seq}
      data-unsent={isWaiting ? "" : undefined}
      className="relative align-top hover:bg-wash [&>td]:border-rule [&>td]:border-b"
    >
      <td className="h-12 py-1.5 pl-4">
        <button
          type="button"
          className="figure min-h-6 text-ink-2 text-sm after:absolute after:inset-0 after:content-['']"
          aria-label={`Line ${entry.seq}, ${time}, by ${by}: open it`}
          onClick={() => onOpen(entry)}
        >
          {time}
        </button>
      </td>
      <td colSpan={moves ? 1 : 3} className="py-1.5 pr-2">
        <span className={`break-words ${isOff ? "text-ink-2 line-through" : ""}`}>{words}</span>
        {isWaiting && <span className="ml-1 whitespace-nowrap font-bold text-sm">· not sent yet</span>}
        {onUndo && (
          <button
            type="button"
            className="relative z-[1] mt-1 block min-h-12 rounded-md border-2 border-ink bg-sheet px-4 font-bold"
            onClick={onUndo}
          >
            Undo
          </button>
        )}
      </td>
      {moves && (
        <>
          <td className="whitespace-nowrap border-rule border-l px-1.5 py-1.5 text-right text-out">
            {entry.out !== undefined && (
              <>
                <OutMark /> {figure(entry.out)}
              </>
            )}
          </td>
          <td className="whitespace-nowrap border-rule border-l px-1.5 py-1.5 pr-3 text-right text-in">
            {entry.in !== undefined && (
              <>
                {figure(entry.in)} <InMark />
              </>
            )}
          </td>
        </>
      )}
    </tr>
  );
});

/** Every line of the book, ruled, newest at the foot; corrected ones stay readable, struck through. */
export function BookLines({ context, onCorrect }: { context: JobContext; onCorrect: (seq: number) => void }) {
  const { entries, system, timeZone, page, waiting } = context;
  const corrected = correctedIds(entries);
  const foot = useRef<HTMLElement>(null);
  const [opened, setOpened] = useState<Entry>();
  const undo = useUndo(context);
  const [isWhole, setWhole] = useState(false);
  const earlier = isWhole ? 0 : Math.max(0, entries.length - MOST_AT_ONCE);
  useFoot(foot);
  let day = "";
  return (
    <>
      <div className="flex items-baseline justify-between px-5 pt-3 pb-1">
        <h2 className="font-bold text-lg">Book</h2>
        <span className="figure text-ink-2">№ {String(page.job.number).padStart(4, "0")}</span>
      </div>
      <section
        ref={foot}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
        tabIndex={0}
        aria-label="Lines of the book"
        className="relative min-h-0 flex-1 overflow-y-auto"
      >
        {earlier > 0 && (
          <button
            type="button"
            className="min-h-12 w-full border-rule border-b px-5 text-left font-bold underline underline-offset-4"
            onClick={() => setWhole(true)}
          >
            {earlier} earlier lines
          </button>
        )}
        <table className="w-full table-fixed border-separate border-spacing-0 text-[0.94rem]">
          <thead className="sticky top-0 z-10 bg-sheet">
            <tr className="text-left text-sm [&>th]:border-rule [&>th]:border-b">
              <th scope="col" className="w-[4.4rem] py-1 pl-4 font-normal text-ink-2">
                time
              </th>
              <th scope="col" className="font-normal text-ink-2">
                <span className="sr-only">what</span>
              </th>
              <th scope="col" className="w-[4.7rem] border-rule border-l px-1.5 text-right text-out">
                out
              </th>
              <th scope="col" className="w-[4.9rem] border-rule border-l px-1.5 pr-3 text-right text-in">
                in
              </th>
            </tr>
          </thead>
          <tbody>
            {entries.slice(earlier).map((entry) => {
              const today = dayOf(entry.at, timeZone);
              const isNewDay = today !== day;
              day = today;
              return (
                <Fragment key={entry.id}>
                  {isNewDay && (
                    <tr>
                      <th colSpan={4} scope="colgroup" className="pt-3 pb-1 pl-5 text-left font-bold text-sm">
                        {today}
                      </th>
                    </tr>
                  )}
                  <Row
                    entry={entry}
                    words={lineWords(entry, system, entries)}
                    time={clockOf(entry.at, timeZone)}
                    by={page.names[entry.by] ?? "somebody"}
                    isOff={corrected.has(entry.id)}
                    isWaiting={waiting.has(entry.id)}
                    system={system}
                    onOpen={setOpened}
                    onUndo={undo?.lineId === entry.id ? undo.undo : undefined}
                  />
                </Fragment>
              );
            })}
          </tbody>
        </table>
        {entries.length === 0 && (
          <p className="px-5 py-3 text-ink-2">An empty book. Write the complaint first.</p>
        )}
      </section>
      {opened && (
        <LineDialog
          entry={opened}
          context={context}
          onCorrect={onCorrect}
          onClose={() => setOpened(undefined)}
        />
      )}
    </>
  );
}
