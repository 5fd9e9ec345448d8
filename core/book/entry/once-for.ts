import type { Entry } from "./entry.ts";

interface Kept<Result> {
  length: number;
  last: Entry | undefined;
  result: Result;
}

/**
 * A reckoning over a book that is done once for a list of entries, however many ask. A list that has grown since is
 * reckoned anew; one whose entries are exchanged in place is not noticed, and nobody does that to a book.
 */
export function onceFor<Result>(
  work: (entries: readonly Entry[]) => Result,
): (entries: readonly Entry[]) => Result {
  const kept = new WeakMap<readonly Entry[], Kept<Result>>();
  return (entries) => {
    const last = entries.at(-1);
    const known = kept.get(entries);
    if (known && known.length === entries.length && known.last === last) return known.result;
    const result = work(entries);
    kept.set(entries, { length: entries.length, last, result });
    return result;
  };
}
