import type { Entry } from "../book/entry/index.ts";
import { JUG_SHARE } from "../trade/limits/index.ts";
import { coolantLines } from "./coolant.ts";
import { drainedUntold } from "./drained-untold.ts";

export interface CoolantBalance {
  drainedL: number;
  spilledL: number;
  keptInPartsL: number;
  missingAtArrivalL: number;
  addedL: number;
  /** How much more (or less) the car holds with its new parts. */
  capacityChangeL: number;
  /** Above zero: still to go in, trapped as air, or lost. Below zero: more went in than is known to have come out. */
  unaccountedL: number;
  toleranceL: number;
  withinTolerance: boolean;
  /** True once any coolant has moved. */
  moved: boolean;
  /** Some came out, and nobody has written how much: the sums are of what is known, and say nothing of the rest. */
  isOutUntold: boolean;
}

/** What clings to pans, hoses and funnel however careful one is. */
const WET_LOSS_L = 0.2;

/**
 * Coolant out of the car against coolant into it, in litres. Never exactly level: `toleranceL` is 0.2 L that clings to
 * pans and hoses plus 4 % of what was drained for reading two jugs. Over it means air in the system, or loss.
 */
export function coolantBalance(entries: readonly Entry[]): CoolantBalance {
  const sums = { drained: 0, spilled: 0, kept: 0, missing: 0, poured: 0, capacity: 0 };
  for (const entry of coolantLines(entries)) {
    if (entry.account !== "coolant" || entry.kind !== "movement") continue;
    const item = entry.item ?? "";
    if (item === "capacity") sums.capacity += (entry.in ?? 0) - (entry.out ?? 0);
    else {
      sums.poured += entry.in ?? 0;
      const kind = item === "spilled" || item === "kept" || item === "missing" ? item : "drained";
      sums[kind] += entry.out ?? 0;
    }
  }
  const left = sums.drained + sums.spilled + sums.kept + sums.missing;
  const unaccountedL = Math.round((left + sums.capacity - sums.poured) * 1000) / 1000;
  const toleranceL = Math.round((WET_LOSS_L + 2 * JUG_SHARE * left) * 1000) / 1000;
  return {
    drainedL: sums.drained,
    spilledL: sums.spilled,
    keptInPartsL: sums.kept,
    missingAtArrivalL: sums.missing,
    addedL: sums.poured,
    capacityChangeL: sums.capacity,
    unaccountedL,
    toleranceL,
    withinTolerance: Math.abs(unaccountedL) <= toleranceL,
    moved: left + sums.poured > 0 || sums.capacity !== 0,
    isOutUntold: drainedUntold(entries) !== undefined,
  };
}
