import { type Evidence, type Model, readEvidence, trustModel } from "./model/index.ts";

/**
 * log(weight × likelihood) of every hypothesis, in the model's order; −Infinity where the evidence rules it out. Weights
 * as given, so only differences mean something.
 */
export function logWeights(model: Model, evidence: Evidence): Float64Array {
  trustModel(model);
  const logs = Float64Array.from(model.hypotheses, (hypothesis) => Math.log(hypothesis.weight));
  for (const { outcome } of readEvidence(model, evidence)) {
    for (const [index, { id }] of model.hypotheses.entries())
      logs[index] = (logs[index] ?? 0) + Math.log(outcome.given[id] ?? 0);
  }
  return logs;
}

/** log Σ exp, safe far out. */
export function logSum(logs: ArrayLike<number>): number {
  let high = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < logs.length; i++) high = Math.max(high, logs[i] ?? high);
  if (high === Number.NEGATIVE_INFINITY) return high;
  let sum = 0;
  for (let i = 0; i < logs.length; i++) sum += Math.exp((logs[i] ?? high) - high);
  return high + Math.log(sum);
}

/**
 * How likely each hypothesis is after the evidence: Bayes' rule for a single fault, in log space so that many sharp tests
 * don't underflow. Figures from 0 to 1 that add up to one. Throws `RangeError` for a model or evidence that can't be
 * reckoned with, and where no single hypothesis allows the evidence (ask `conflict` what does).
 */
export function posterior(model: Model, evidence: Evidence): Record<string, number> {
  const logs = logWeights(model, evidence);
  const total = logSum(logs);
  if (total === Number.NEGATIVE_INFINITY)
    throw new RangeError(
      `no single fault allows these results together: ${evidence.map(({ test, outcome }) => `${test}: ${outcome}`).join("; ")}`,
    );
  return Object.fromEntries(
    model.hypotheses.map(({ id }, index) => [id, Math.exp((logs[index] ?? 0) - total)]),
  );
}
