import { posterior } from "../index.ts";
import { type Asked, weighAsked } from "./asked.ts";
import { handbookPriors, modelOf } from "./build-model.ts";
import { CIRCUITS } from "./circuits.ts";
import { type CircuitKind } from "./knowledge.ts";

export type Results = Record<string, string>;

export const evidenceOf = (results: Results) =>
  Object.entries(results).map(([test, outcome]) => ({ test, outcome }));

/** Belief after these results, the likeliest first. */
export function believed(kind: CircuitKind, asked: Asked, results: Results) {
  const circuit = CIRCUITS[kind];
  const model = modelOf(circuit, { weights: weighAsked(handbookPriors(circuit), asked) });
  return Object.entries(posterior(model, evidenceOf(results))).sort((a, b) => b[1] - a[1]);
}
