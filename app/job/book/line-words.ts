import { describeEntry } from "../../../core/book/describe/index.ts";
import { type Entry, isStrike, onceFor } from "../../../core/book/entry/index.ts";
import type { System } from "../../../core/kernel/units/index.ts";

const byId = onceFor((entries) => new Map(entries.map((entry) => [entry.id, entry])));

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** A line as the book shows it: what it says, or which line it strikes out, brings back or corrects. */
export function lineWords(entry: Entry, system: System, entries: readonly Entry[]): string {
  const named = entry.corrects ? byId(entries).get(entry.corrects) : undefined;
  if (isStrike(entry)) {
    if (named && isStrike(named)) {
      const back = byId(entries).get(named.corrects ?? "");
      return `Line ${back?.seq ?? "?"} is back: line ${named.seq} struck out.`;
    }
    return `Line ${named?.seq ?? "?"} struck out.`;
  }
  const said = capital(describeEntry(entry, system).replace(/^(Out|In): /, ""));
  return named ? `Line ${named.seq} corrected: ${said}` : said;
}
