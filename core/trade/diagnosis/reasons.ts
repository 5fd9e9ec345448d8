import { type Evidence, type Model, readEvidence } from "./model/index.ts";
import { posterior } from "./posterior.ts";

export interface Weighed {
  test: string;
  outcome: string;
  /** How many times likelier this result is under the suspect than under all others as they are believed; over 1 speaks for it. */
  times: number;
}

export interface Reasons {
  for: Weighed[];
  against: Weighed[];
  /** The test not done yet that tells this suspect best from the rest, with what to look for. */
  settles?: { test: string; outcome: string };
}

/** Results that move a suspect by less than this share say nothing of it. */
const SAYS_SOMETHING = 1.25;

/**
 * Why a suspect is where it is: results for it, strongest first, results against it, and the test that would settle it.
 * Likelihood ratios of the suspect against all others, each weighed by its present belief. Throws `RangeError` for a
 * suspect that is no hypothesis of the model and for evidence that can't be reckoned with.
 */
export function reasonsOf(model: Model, evidence: Evidence, suspect: string): Reasons {
  if (!model.hypotheses.some(({ id }) => id === suspect))
    throw new RangeError(`“${suspect}” is no hypothesis of this model`);
  const belief = posterior(model, evidence);
  const others = model.hypotheses.filter(({ id }) => id !== suspect);
  const mass = others.reduce((sum, { id }) => sum + (belief[id] ?? 0), 0);
  // Where the suspect is all that is left, the others count as they did at first.
  const weightOf = ({ id, weight }: { id: string; weight: number }) =>
    mass > 1e-9 ? (belief[id] ?? 0) : weight;
  const total = others.reduce((sum, other) => sum + weightOf(other), 0);
  const givenOthers = (given: Readonly<Record<string, number>>) =>
    others.reduce((sum, other) => sum + (weightOf(other) / total) * (given[other.id] ?? 0), 0);
  const weighed = readEvidence(model, evidence).map(({ test, outcome }) => ({
    test: test.id,
    outcome: outcome.id,
    times: (outcome.given[suspect] ?? 0) / Math.max(givenOthers(outcome.given), 1e-9),
  }));
  let settles: Reasons["settles"];
  let furthest = 0.1;
  for (const test of model.tests) {
    if (evidence.some((each) => each.test === test.id)) continue;
    const apart = test.outcomes.map(({ id, given }) => ({
      id,
      by: (given[suspect] ?? 0) - givenOthers(given),
    }));
    const distance = apart.reduce((sum, { by }) => sum + Math.abs(by), 0) / 2;
    if (distance <= furthest) continue;
    furthest = distance;
    settles = { test: test.id, outcome: apart.reduce((most, each) => (each.by > most.by ? each : most)).id };
  }
  return {
    for: weighed.filter(({ times }) => times >= SAYS_SOMETHING).sort((a, b) => b.times - a.times),
    against: weighed.filter(({ times }) => times <= 1 / SAYS_SOMETHING).sort((a, b) => a.times - b.times),
    ...(settles ? { settles } : {}),
  };
}
