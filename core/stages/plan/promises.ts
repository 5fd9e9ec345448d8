import type { Entry } from "../../book/entry/index.ts";
import { FollowUpSaid, factsOf } from "../../book/facts/index.ts";

/** A second look as its job's book has it now. */
export interface Promised {
  key: string;
  what: string;
  state: "open" | "done" | "dropped";
  on?: string;
  byKm?: number;
  /** The line that says so last, who wrote it and when. */
  entryId: string;
  by: string;
  at: string;
  /** What was seen, or why it was moved or dropped. */
  said?: string;
}

/** The second looks of a job, each as it was last said, in the order in which they were first promised. */
export function promisesOf(entries: readonly Entry[]): Promised[] {
  const by = new Map<string, Promised>();
  for (const { fact, entry } of factsOf(entries, FollowUpSaid)) {
    const before = by.get(fact.key);
    const { key, what, does } = fact;
    const on = fact.on ?? before?.on;
    const byKm = fact.byKm ?? before?.byKm;
    by.set(key, {
      key,
      what,
      state: does === "done" || does === "dropped" ? does : "open",
      ...(on === undefined ? {} : { on }),
      ...(byKm === undefined ? {} : { byKm }),
      entryId: entry.id,
      by: entry.by,
      at: entry.at,
      ...(fact.because === undefined ? {} : { said: fact.because }),
    });
  }
  return [...by.values()];
}
