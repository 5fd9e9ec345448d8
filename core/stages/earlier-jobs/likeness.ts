import { type Entry, standing } from "../../book/entry/index.ts";
import { ChosenPart, factsOf, lastFact, OrderOfWork } from "../../book/facts/index.ts";
import { plainPart } from "../../book/parts/index.ts";

/** As many things off make a job that a deep strip learns from; a switch swapped is one only for want of a deeper one. */
const DEEP = 6;

const partsOf = (entries: readonly Entry[]) => {
  const chosen = factsOf(entries, ChosenPart).map(({ entry }) => entry.item ?? "");
  const fitted = standing(entries)
    .filter(({ account, in: back = 0 }) => account === "part" && back > 0)
    .map(({ item = "" }) => item);
  return new Set([...chosen, ...fitted].map(plainPart).filter(Boolean));
};

/**
 * How much another job is like this one, from 0: the same goal, the same parts, a deep one where nothing else tells. What was struck
 * counts for nothing. Nothing where nothing came off in it.
 */
export function likeness(now: readonly Entry[], other: readonly Entry[]): number | undefined {
  const outs = standing(other).filter(
    ({ account, out = 0 }) => account && account !== "coolant" && account !== "tool" && out > 0,
  ).length;
  if (outs === 0) return undefined;
  const [goal, was] = [now, other].map((entries) => lastFact(entries, OrderOfWork)?.fact.goal);
  const [parts, theirs] = [partsOf(now), partsOf(other)];
  const shared = [...parts].filter((part) => theirs.has(part)).length;
  const byGoal = goal && was ? (goal === was ? 4 : -2) : 0;
  const byParts = parts.size > 0 ? (3 * shared) / parts.size : 0;
  return 10 + byGoal + byParts + (outs >= DEEP ? 2 : 0);
}
