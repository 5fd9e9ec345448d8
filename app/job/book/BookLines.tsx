import { Fragment, type RefObject, useEffect, useRef } from "react";
import { correctedIds, describeEntry, type Entry, isStrike } from "../../../core/ledger/index.ts";
import { format, type System } from "../../../core/units/index.ts";
import { clockOf, dayOf } from "../../ui/dates.ts";
import { InMark, OutMark } from "../../ui/OutIn.tsx";
import type { JobContext } from "../context.ts";

const amount = (entry: Entry, figure: number, system: System) =>
  entry.account === "coolant" ? format(figure, "volume", system).split("\u00a0")[0] : String(figure);

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

function words(entry: Entry, system: System, entries: readonly Entry[]): string {
  if (isStrike(entry)) {
    const struck = entries.find((each) => each.id === entry.corrects);
    return `Line ${struck?.seq} struck out.`;
  }
  const said = capital(describeEntry(entry, system).replace(/^(Out|In): /, ""));
  const corrected = entry.corrects && entries.find((each) => each.id === entry.corrects);
  return corrected ? `Line ${corrected.seq} corrected: ${said}` : said;
}

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

/** Every line of the book, ruled, newest at the foot; corrected ones stay readable, struck through. */
export function BookLines({ context, onCorrect }: { context: JobContext; onCorrect: (seq: number) => void }) {
  const { entries, system, timeZone, page, waiting } = context;
  const corrected = correctedIds(entries);
  const foot = useRef<HTMLElement>(null);
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
        className="min-h-0 flex-1 overflow-y-auto"
      >
        <table className="w-full table-fixed border-separate border-spacing-0 text-[0.94rem]">
          <thead className="sticky top-0 z-10 bg-sheet">
            <tr className="text-left text-sm [&>th]:border-rule [&>th]:border-b">
              <th scope="col" className="w-[4.9rem] py-1 pl-5 font-normal text-ink-2">
                time
              </th>
              <th scope="col" className="font-normal text-ink-2">
                <span className="sr-only">what</span>
              </th>
              <th scope="col" className="w-[4.4rem] border-rule border-l px-1.5 text-right text-out">
                out
              </th>
              <th scope="col" className="w-[4.9rem] border-rule border-l px-1.5 pr-3 text-right text-in">
                in
              </th>
            </tr>
          </thead>
          <tbody>
            {entries.map((entry) => {
              const today = dayOf(entry.at, timeZone);
              const isNewDay = today !== day;
              day = today;
              const isOff = corrected.has(entry.id);
              // What only tells something is written across the columns, as in a book on paper.
              const moves = entry.out !== undefined || entry.in !== undefined;
              return (
                <Fragment key={entry.id}>
                  {isNewDay && (
                    <tr>
                      <th colSpan={4} scope="colgroup" className="pt-3 pb-1 pl-5 text-left font-bold text-sm">
                        {today}
                      </th>
                    </tr>
                  )}
                  <tr
                    data-line={entry.seq}
                    data-unsent={waiting.has(entry.id) ? "" : undefined}
                    className="align-top [&>td]:border-rule [&>td]:border-b"
                  >
                    <td className="py-1.5 pl-5">
                      <button
                        type="button"
                        className="figure min-h-6 text-ink-2 text-sm hover:underline disabled:no-underline"
                        aria-label={`Line ${entry.seq}, ${clockOf(entry.at, timeZone)}, by ${page.names[entry.by] ?? "somebody"}: correct it`}
                        title={`Line ${entry.seq}, by ${page.names[entry.by] ?? "somebody"}`}
                        disabled={isOff || waiting.has(entry.id)}
                        onClick={() => onCorrect(entry.seq)}
                      >
                        {clockOf(entry.at, timeZone)}
                      </button>
                    </td>
                    <td
                      colSpan={moves ? 1 : 3}
                      className={`py-1.5 pr-2 ${isOff ? "text-ink-2 line-through" : ""}`}
                    >
                      {words(entry, system, entries)}
                      {waiting.has(entry.id) && (
                        <span className="ml-1 whitespace-nowrap font-bold text-sm">· not sent yet</span>
                      )}
                    </td>
                    {moves && (
                      <>
                        <td className="whitespace-nowrap border-rule border-l px-1.5 py-1.5 text-right text-out">
                          {entry.out !== undefined && (
                            <span className={`figure ${isOff ? "line-through" : ""}`}>
                              <OutMark /> {amount(entry, entry.out, system)}
                            </span>
                          )}
                        </td>
                        <td className="whitespace-nowrap border-rule border-l px-1.5 py-1.5 pr-3 text-right text-in">
                          {entry.in !== undefined && (
                            <span className={`figure ${isOff ? "line-through" : ""}`}>
                              {amount(entry, entry.in, system)} <InMark />
                            </span>
                          )}
                        </td>
                      </>
                    )}
                  </tr>
                </Fragment>
              );
            })}
          </tbody>
        </table>
        {entries.length === 0 && (
          <p className="px-5 py-3 text-ink-2">An empty book. Write the complaint first.</p>
        )}
      </section>
    </>
  );
}
