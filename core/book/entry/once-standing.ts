import type { Entry } from "./entry.ts";
import { type Reading, readingOf, type StandingEntry } from "./standing.ts";

/**
 * A reckoning over what stands in a book, done once for a reading of it, and kept while the book grows by lines that don't
 * matter to it: a bolt that came out changes nothing of which part was chosen. `matters` is asked of each line that is
 * added at the end; where it says no, the result has to be the same as reckoned anew. `grown`, where it is given, tells the
 * result after such lines from the one before them, which it leaves as it is: others may still read it.
 */
export function onceStanding<Result>(
  work: (entries: readonly Entry[]) => Result,
  matters: (added: StandingEntry) => boolean,
  grown?: (before: Result, added: readonly StandingEntry[]) => Result,
): (entries: readonly Entry[]) => Result {
  const kept = new WeakMap<Reading, { result: Result }>();
  const goneOn = (before: Result, added: readonly StandingEntry[], entries: readonly Entry[]) => {
    const mattering = added.filter(matters);
    if (mattering.length === 0) return before;
    return grown ? grown(before, mattering) : work(entries);
  };
  return (entries) => {
    const reading = readingOf(entries);
    const known = kept.get(reading);
    if (known) return known.result;
    const { from } = reading;
    const before = from && kept.get(from.reading);
    const result = before ? goneOn(before.result, from.added, entries) : work(entries);
    kept.set(reading, { result });
    return result;
  };
}
