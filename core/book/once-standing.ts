import type { Entry } from "./entry.ts";
import { type Reading, readingOf, type StandingEntry } from "./standing.ts";

/**
 * A reckoning over what stands in a book, done once for a reading of it, and kept while the book grows by lines that don't
 * matter to it: a bolt that came out changes nothing of which part was chosen. `matters` is asked of each line that is
 * added at the end; where it says no, the result has to be the same as reckoned anew.
 */
export function onceStanding<Result>(
  work: (entries: readonly Entry[]) => Result,
  matters: (added: StandingEntry) => boolean,
): (entries: readonly Entry[]) => Result {
  const kept = new WeakMap<Reading, { result: Result }>();
  return (entries) => {
    const reading = readingOf(entries);
    const known = kept.get(reading);
    if (known) return known.result;
    const { from } = reading;
    const before = from && kept.get(from.reading);
    const isSame = before && !from.added.some(matters);
    const result = isSame ? before.result : work(entries);
    kept.set(reading, { result });
    return result;
  };
}
