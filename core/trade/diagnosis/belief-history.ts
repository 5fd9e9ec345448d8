import { type Evidence, type Model } from "./model/index.ts";
import { posterior } from "./posterior.ts";

export interface BeliefStep {
  /** The result that led here; absent for what was believed before the first. */
  test?: string;
  outcome?: string;
  belief: Record<string, number>;
}

/**
 * Belief before the first result and after each, in the order they came: how a verdict came about. Shares of 0 to 1 that
 * add up to one at each step. Throws `RangeError` as `posterior` does.
 */
export const beliefHistory = (model: Model, evidence: Evidence): BeliefStep[] => [
  { belief: posterior(model, []) },
  ...evidence.map(({ test, outcome }, index) => ({
    test,
    outcome,
    belief: posterior(model, evidence.slice(0, index + 1)),
  })),
];
