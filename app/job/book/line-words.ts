import { describeEntry, type Entry, isStrike } from "../../../core/ledger/index.ts";
import type { System } from "../../../core/units/index.ts";

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** A line as the book shows it: what it says, or which line it strikes out, brings back or corrects. */
export function lineWords(entry: Entry, system: System, entries: readonly Entry[]): string {
  const named = entry.corrects ? entries.find((each) => each.id === entry.corrects) : undefined;
  if (isStrike(entry)) {
    if (named && isStrike(named)) {
      const back = entries.find((each) => each.id === named.corrects);
      return `Line ${back?.seq ?? "?"} is back: line ${named.seq} struck out.`;
    }
    return `Line ${named?.seq ?? "?"} struck out.`;
  }
  const said = capital(describeEntry(entry, system).replace(/^(Out|In): /, ""));
  return named ? `Line ${named.seq} corrected: ${said}` : said;
}
