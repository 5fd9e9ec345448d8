import type { Circuit } from "./knowledge/index.ts";
import { hypothesisOf, modelOf } from "./knowledge/index.ts";
import { type Evidence, NOTHING_WRONG, readEvidence } from "./model/index.ts";
import { posterior } from "./posterior.ts";

export type Standing = "proven" | "suspect" | "failed" | "untested";

/**
 * A component is proven by a result that makes each of its faults that stop the current this much less likely than on a
 * sound car (each fault at all, where none of them stops it).
 */
const PROVEN = 0.2;
/** And suspect when all results together make one of them this much likelier, and none proves it. */
const SUSPECT = 4;
/** One fault with this share of belief has failed. */
const FAILED = 0.9;

/**
 * What the results say of each component, for the map: `proven` where current is all but sure to go through it,
 * `failed` where one is all but certain, `suspect` where one became likelier, `untested` else. Likelihood ratios against
 * a sound car under the circuit's own knowledge. A component without faults (the battery) stands as what it feeds.
 * Throws `RangeError` for evidence that the circuit's tests don't have.
 */
export function proven(circuit: Circuit, evidence: Evidence): Record<string, Standing> {
  const model = modelOf(circuit);
  const results = readEvidence(model, evidence);
  const belief = posterior(model, evidence);
  const ratiosOf = (fault: string) =>
    results.map(({ outcome }) => (outcome.given[fault] ?? 0) / (outcome.given[NOTHING_WRONG] ?? 1));
  const product = (ratios: number[]) => ratios.reduce((all, ratio) => all * ratio, 1);
  const standings: Record<string, Standing> = {};
  for (const { id, faults } of circuit.components) {
    const ratios = faults.map(ratiosOf);
    const breaking = ratios.filter((_, index) => hypothesisOf(faults[index] ?? "")?.breaks);
    const toProve = breaking.length > 0 ? breaking : ratios;
    const isProven =
      toProve.length > 0 && results.some((_, k) => toProve.every((each) => (each[k] ?? 1) <= PROVEN));
    if (faults.some((fault) => (belief[fault] ?? 0) >= FAILED)) standings[id] = "failed";
    else if (isProven) standings[id] = "proven";
    else standings[id] = ratios.some((each) => product(each) >= SUSPECT) ? "suspect" : "untested";
  }
  for (const { id, faults } of circuit.components) {
    const fed = circuit.feeds.find(([from]) => from === id)?.[1];
    if (faults.length === 0 && fed && standings[fed] === "proven") standings[id] = "proven";
  }
  return standings;
}
