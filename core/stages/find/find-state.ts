import type { Entry } from "../../book/entry/index.ts";
import type { CircuitKind } from "../../trade/diagnosis/knowledge/index.ts";
import { type Belief, beliefOf, type FindContext } from "./belief.ts";
import { type FindPlan, planOf } from "./plan.ts";

/** All that Find shows. */
export type FindState = Belief & FindPlan;

/** All that Find shows, worked out from the book at once. The same in the browser and on the server. */
export function findState(
  entries: readonly Entry[],
  kind: CircuitKind,
  context: FindContext = {},
): FindState {
  const belief = beliefOf(entries, kind, context);
  return { ...belief, ...planOf(belief.question) };
}
