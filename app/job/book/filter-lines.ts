import { describeEntry } from "../../../core/book/describe/index.ts";
import { type Entry, type Stage } from "../../../core/book/entry/index.ts";
import { outNow } from "../../../core/book/out/index.ts";
import type { System } from "../../../core/kernel/units/index.ts";

/** What the book is searched by: words, places and numbers that all stand in a line, one stage, what is still out. */
export interface BookFilter {
  words: string;
  stage: Stage | "";
  isStillOpen: boolean;
}

export const NO_FILTER: BookFilter = { words: "", stage: "", isStillOpen: false };

export const isFiltered = ({ words, stage, isStillOpen }: BookFilter): boolean =>
  words.trim() !== "" || stage !== "" || isStillOpen;

const plain = (text: string) => text.toLowerCase().replaceAll("×", "x");

/** Each word alone, but a number with the word before it: “bag 6” is one place, not a bag and a six. */
const termsOf = (words: string): string[] => plain(words).match(/[^\s\d]\S*\s+\d+(?!\S)|\S+/g) ?? [];

/** True where a term stands in what is said: a number whole, so that 6 is not found in M6 or 16. */
function stands(term: string, said: string): boolean {
  if (!/\d$/.test(term)) return said.includes(term);
  const escaped = term.replace(/[.*+?^${}()|[\]\\]/g, "\\$&").replace(/\s+/, "\\s+");
  return new RegExp(`(?<![\\w.])${escaped}(?![\\w.])`).test(said);
}

/** The lines that a filter lets through, in the book's order. A number alone is a line's number too. */
export function filterLines(entries: readonly Entry[], filter: BookFilter, system: System): Entry[] {
  const wanted = termsOf(filter.words);
  const open = filter.isStillOpen
    ? new Set(
        outNow(entries)
          .filter((line) => line.open > 0)
          .map(({ entryId }) => entryId),
      )
    : undefined;
  return entries.filter((entry) => {
    if (filter.stage !== "" && entry.stage !== filter.stage) return false;
    if (open && !open.has(entry.id)) return false;
    if (wanted.length === 0) return true;
    const said = plain(
      `${describeEntry(entry, system)} ${entry.place ?? ""} ${entry.text ?? ""} ${entry.stage}`,
    );
    return wanted.every((term) => stands(term, said) || term === String(entry.seq));
  });
}
