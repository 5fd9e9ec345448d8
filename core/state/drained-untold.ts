import { type Entry, onceStanding, type StandingEntry, standing } from "../book/entry/index.ts";
import { tells } from "../book/facts/index.ts";
import { stepsState } from "../book/out/index.ts";

const DRAIN = "drain";
/** Off with one of these, coolant runs: what sits at the bottom of the system, and the radiator itself. */
const LETS_OUT = /^(?:radiator|drain (?:plug|tap|cock)|(?:lower|bottom) hose)$/;
const TOLD: readonly (string | undefined)[] = ["drained", "kept", "missing"];

const nameOf = ({ account, item = "", place = "" }: StandingEntry) =>
  account === "hose" ? `${place} hose` : account === "part" ? item : "";

/** What let coolant out: the step of draining by its tap, or a thing off from which it must have run. */
function letOutBy(all: readonly StandingEntry[], entries: readonly Entry[]) {
  const step = stepsState(entries).find(({ step: id }) => id === DRAIN);
  const tapped = step && all.find(({ id }) => id === step.entryId);
  const loosened = all.findLast(
    (entry) => (entry.out ?? 0) > 0 && LETS_OUT.test(nameOf(entry).toLowerCase()),
  );
  // The later of the two: what was told before it was filled again says nothing of what ran out after.
  if (loosened && loosened.order > (tapped?.order ?? Number.NEGATIVE_INFINITY))
    return {
      entry: loosened,
      words: `${nameOf(loosened).toLowerCase()} off, and nobody has written how much came out`,
    };
  return tapped && { entry: tapped, words: "drained, and nobody has written how much" };
}

/**
 * Coolant was let out of the system, and no line says how much: in words, or nothing where it is told or none was let out.
 * Not measured is never nought. Whoever measures first and loosens then has told of the same draining: since it was filled last.
 */
export const drainedUntold = onceStanding((entries): string | undefined => {
  const all = standing(entries);
  const by = letOutBy(all, entries);
  if (!by) return undefined;
  const moved = all.filter(({ account, kind }) => account === "coolant" && kind === "movement");
  const filled = moved.findLast(
    ({ in: poured = 0, item, order }) => poured > 0 && item === "poured" && order < by.entry.order,
  );
  const isTold = moved.some(
    ({ item, out = 0, order }) =>
      out > 0 &&
      order > (filled?.order ?? Number.NEGATIVE_INFINITY) &&
      (TOLD.includes(item) || (item === "spilled" && by.entry.account === "hose")),
  );
  return isTold ? undefined : by.words;
}, tells);
