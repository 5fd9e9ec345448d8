import { posterior } from "../index.ts";
import { type Asked, CIRCUITS, type CircuitKind, handbookPriors, modelOf, weighAsked } from "./index.ts";

export type Results = Record<string, string>;

export const evidenceOf = (results: Results) =>
  Object.entries(results).map(([test, outcome]) => ({ test, outcome }));

/** Belief after these results, the likeliest first. */
export function believed(kind: CircuitKind, asked: Asked, results: Results) {
  const circuit = CIRCUITS[kind];
  const model = modelOf(circuit, { weights: weighAsked(handbookPriors(circuit), asked) });
  return Object.entries(posterior(model, evidenceOf(results))).sort((a, b) => b[1] - a[1]);
}
