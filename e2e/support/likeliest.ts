import { CIRCUITS, type CircuitKind, modelOf } from "../../core/trade/diagnosis/knowledge/index.ts";

/** How a person answers a test when this is what is wrong: the outcome it most often has. */
export function likeliestOutcome(kind: CircuitKind, test: string, truth: string): number {
  const outcomes = modelOf(CIRCUITS[kind]).tests.find(({ id }) => id === test)?.outcomes ?? [];
  const shares = outcomes.map(({ given }) => given[truth] ?? 0);
  return shares.indexOf(Math.max(...shares));
}
