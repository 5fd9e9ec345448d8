import { Search } from "lucide-react";
import { Fragment, useDeferredValue, useMemo, useRef, useState } from "react";
import { correctedIds, type Entry } from "../../../core/book/entry/index.ts";
import { moveFocus } from "../../ui/arrows.ts";
import { clockOf, dayOf } from "../../ui/dates.ts";
import { type JobContext, useWaiting } from "../stage/context.ts";
import { NO_NUMBER } from "../stage/unsent-job.ts";
import { FindInBook } from "./FindInBook.tsx";
import { filterLines, isFiltered, NO_FILTER } from "./filter-lines.ts";
import { LineDialog } from "./LineDialog.tsx";
import { lineWords } from "./line-words.ts";
import { Row } from "./Row.tsx";
import { useFoot } from "./useFoot.ts";
import { useRows } from "./useRows.ts";
import { useUndo } from "./useUndo.ts";

/** Fewer lines than this are looked through by eye. */
const WORTH_SEARCHING = 8;

const numberOf = (number: number) =>
  number === NO_NUMBER ? "not numbered yet" : `№ ${String(number).padStart(4, "0")}`;

function Head() {
  return (
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
  );
}

const Gap = ({ px }: { px: number }) =>
  px > 0 ? (
    <tr>
      <td colSpan={4} style={{ height: px }} />
    </tr>
  ) : null;

/** Every line of the book, ruled, newest at the foot; corrected ones stay readable, struck through. */
export function BookLines({ context, onCorrect }: { context: JobContext; onCorrect: (seq: number) => void }) {
  const { entries, system, timeZone, page } = context;
  const waiting = useWaiting();
  const [isSearched, setSearched] = useState(false);
  const [filter, setFilter] = useState(NO_FILTER);
  const asked = useDeferredValue(filter);
  const lines = useMemo(
    () => (isFiltered(asked) ? filterLines(entries, asked, system) : entries),
    [entries, asked, system],
  );
  const days = useMemo(() => lines.map(({ at }) => dayOf(at, timeZone)), [lines, timeZone]);
  const corrected = correctedIds(entries);
  const scroller = useRef<HTMLElement>(null);
  const [opened, setOpened] = useState<Entry>();
  const undo = useUndo(context);
  useFoot(scroller);
  const { shown, before, after, measure } = useRows(lines.length, scroller);
  return (
    <>
      <div className="flex min-h-12 items-center justify-between px-5 pt-1">
        <h2 className="font-bold text-lg">Book</h2>
        <span className="flex items-center gap-2">
          <span className="figure text-ink-2">{numberOf(page.job.number)}</span>
          {entries.length >= WORTH_SEARCHING && (
            <button
              type="button"
              className="flex size-11 items-center justify-center rounded-md hover:bg-wash"
              aria-label="Find in the book"
              aria-expanded={isSearched}
              onClick={() => {
                setSearched(!isSearched);
                setFilter(NO_FILTER);
              }}
            >
              <Search size={20} aria-hidden="true" />
            </button>
          )}
        </span>
      </div>
      {isSearched && <FindInBook filter={filter} found={lines.length} onChange={setFilter} />}
      <section
        ref={scroller}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
        tabIndex={0}
        aria-label="Lines of the book"
        className="relative min-h-0 flex-1 scroll-pt-12 overflow-y-auto print:overflow-visible"
        onKeyDown={(event) => moveFocus(event, "[data-row]")}
      >
        <table
          aria-rowcount={lines.length}
          className="w-full table-fixed border-separate border-spacing-0 text-[0.94rem]"
        >
          <Head />
          <tbody>
            <Gap px={before} />
            {shown.map((index, place) => {
              const entry = lines[index] as Entry;
              const isNewDay = days[index] !== days[index - 1];
              return (
                <Fragment key={entry.id}>
                  {isNewDay && (
                    <tr>
                      <th colSpan={4} scope="colgroup" className="pt-3 pb-1 pl-5 text-left font-bold text-sm">
                        {days[index]}
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
                    isStop={isNewDay || place === 0}
                    system={system}
                    index={index}
                    measure={measure}
                    onOpen={setOpened}
                    onUndo={undo?.lineId === entry.id ? undo.undo : undefined}
                  />
                </Fragment>
              );
            })}
            <Gap px={after} />
          </tbody>
        </table>
        {entries.length === 0 && (
          <p className="px-5 py-3 text-ink-2">An empty book. Write the complaint first.</p>
        )}
        {entries.length > 0 && lines.length === 0 && (
          <p className="px-5 py-3 text-ink-2">No line says that. Try fewer words, or another stage.</p>
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
