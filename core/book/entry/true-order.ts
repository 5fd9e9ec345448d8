import { type Entry } from "./entry.ts";
import { onceFor } from "./once-for.ts";
import { type StandingEntry, standing } from "./standing.ts";

/** As every clock here writes a moment: such moments stand in order as their letters do. */
const isPlainMoment = (at: string) => at.length === 24 && at.endsWith("Z");

/**
 * The entries that count, in the order in which what they tell was true: by their own time, and where two share one by their place in
 * the book. What was typed without a network, and sent later, stands where it happened.
 */
export const inTrueOrder = onceFor((entries: readonly Entry[]): StandingEntry[] => {
  const all = standing(entries);
  const isInOrder = all.every(({ at, order }, index) => {
    const before = all[index - 1];
    return isPlainMoment(at) && (!before || before.at < at || (before.at === at && before.order <= order));
  });
  if (isInOrder) return all;
  return all
    .map((entry) => ({ entry, atMs: Date.parse(entry.at) }))
    .sort((a, b) => a.atMs - b.atMs || a.entry.order - b.entry.order)
    .map(({ entry }) => entry);
});
