import { memo } from "react";
import type { Entry } from "../../../core/book/entry/index.ts";
import { format, type System } from "../../../core/kernel/units/index.ts";
import { InMark, OutMark } from "../../ui/OutIn.tsx";

const amount = (entry: Entry, figure: number, system: System) =>
  entry.account === "coolant" && Number.isFinite(figure)
    ? format(figure, "volume", system).split("\u00a0")[0]
    : String(figure);

export interface RowGiven {
  entry: Entry;
  words: string;
  time: string;
  by: string;
  isOff: boolean;
  isWaiting: boolean;
  /** True for the first line of its day: Tab stops there, arrows go on. */
  isStop: boolean;
  system: System;
  /** Of a list that is drawn in parts: which row it is, and how it is measured. */
  index: number;
  measure?: (row: HTMLElement | null) => void;
  onOpen: (entry: Entry) => void;
  onUndo?: () => void;
}

/** One line, the whole of it a target that opens it. What only tells something is written across the columns. */
export const Row = memo(function Row(given: RowGiven) {
  const { entry, words, time, by, isOff, isWaiting, isStop, system, index, measure, onOpen, onUndo } = given;
  const moves = entry.out !== undefined || entry.in !== undefined;
  const figure = (count: number) => (
    <span className={`figure ${isOff ? "line-through" : ""}`}>{amount(entry, count, system)}</span>
  );
  return (
    <tr
      ref={measure}
      data-index={index}
      data-line={entry.seq}
      data-unsent={isWaiting ? "" : undefined}
      className="relative align-top hover:bg-wash [&>td]:border-rule [&>td]:border-b"
    >
      <td className="p-0">
        <button
          type="button"
          data-row
          tabIndex={isStop ? 0 : -1}
          className="figure block min-h-12 w-full pt-1 pb-5 pl-4 text-left text-ink-2 text-sm after:absolute after:inset-0 after:content-['']"
          aria-label={`Line ${entry.seq}, ${time}, by ${by}: open it`}
          onClick={() => onOpen(entry)}
        >
          {time}
        </button>
        <span aria-hidden="true" className="figure absolute top-7 left-4 text-[0.72rem] text-ink-2">
          {isWaiting ? "" : entry.seq}
        </span>
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
