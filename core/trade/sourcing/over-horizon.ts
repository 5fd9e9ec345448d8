import { failedBy } from "./life.ts";
import { type Cost, meanExtraHours, onceCost, ordersFor, sumOf } from "./once.ts";
import type { Option, Terms } from "./option.ts";

/** Steps of the time that is answered for, and at least so many to a median life: the error falls with their square. */
const LEAST_STEPS = 400;
const STEPS_A_LIFE = 20;
/** The work grows with their square: this many are some milliseconds. */
const MOST_STEPS = 2000;

const stepsOf = ({ life }: Option, { horizonDays }: Terms) =>
  Math.min(MOST_STEPS, Math.max(LEAST_STEPS, Math.ceil((STEPS_A_LIFE * horizonDays) / life.medianDays)));

export interface OverHorizon {
  /** On average, in minor units: the first fitting, and every one after it within the horizon. */
  first: Cost;
  again: number;
  /** Failures within the horizon, on average. */
  failures: number;
}

/**
 * What an option comes to on average over the horizon. A part that fails is replaced by its like, which may fail again:
 * the renewal equation (Cox, Renewal Theory, 1962), C(h) = ∫ f(t) (c(t) + C(h − t)) dt, solved by steps with the exact
 * share that fails in each, and the guarantees' last days cut where they fall.
 */
export function overHorizon(option: Option, terms: Terms): OverHorizon {
  const first = onceCost(option, terms, ordersFor(option), meanExtraHours(option));
  const steps = stepsOf(option, terms);
  const step = terms.horizonDays / steps;
  const failed = (days: number) => failedBy(days, option.life);
  /** The share that fails in a step and later than `from`, when a guarantee has run out. */
  const failedAfter = (from: number, start: number, end: number) =>
    from >= end ? 0 : failed(end) - failed(Math.max(from, start));
  const share: number[] = [];
  const cost: number[] = [];
  for (let index = 0; index < steps; index++) {
    const [start, end] = [index * step, (index + 1) * step];
    const all = failed(end) - failed(start);
    share.push(all);
    cost.push(
      all * (first.freight + first.waiting) +
        first.part * failedAfter(option.guarantee.partDays, start, end) +
        first.work * failedAfter(option.guarantee.labourDays, start, end),
    );
  }
  const again = [0];
  const failures = [0];
  let costSoFar = 0;
  let shareSoFar = 0;
  for (let upTo = 1; upTo <= steps; upTo++) {
    costSoFar += cost[upTo - 1] as number;
    shareSoFar += share[upTo - 1] as number;
    let [laterCost, laterFailures] = [0, 0];
    for (let at = 1; at < upTo; at++) {
      const weight = (share[at] as number) / 2;
      const [left, right] = [upTo - at, upTo - at - 1];
      laterCost += weight * ((again[left] as number) + (again[right] as number));
      laterFailures += weight * ((failures[left] as number) + (failures[right] as number));
    }
    // What fails in the first step leaves nearly the whole time before it: that is this very figure.
    const near = (share[0] as number) / 2;
    again.push((costSoFar + laterCost + near * (again[upTo - 1] as number)) / (1 - near));
    failures.push((shareSoFar + laterFailures + near * (failures[upTo - 1] as number)) / (1 - near));
  }
  return { first, again: again[steps] as number, failures: failures[steps] as number };
}

/** The whole of it, in minor units. */
export const wholeOf = ({ first, again }: OverHorizon): number => sumOf(first) + again;
