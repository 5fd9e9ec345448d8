import {
  type Conflict,
  conflict,
  type Heat,
  type NextAction,
  nextActions,
  posterior,
} from "../../trade/diagnosis/index.ts";
import { CIRCUITS, type CircuitKind, modelOf, USUAL_RATES } from "../../trade/diagnosis/knowledge/index.ts";
import { type Prior } from "../../trade/diagnosis/model/index.ts";
import { coldFirst } from "./cold-first.ts";
import { inHand, offered } from "./offered.ts";

/** All that the plan depends on, as plain data: it goes to a worker, and tells one plan from another. */
export interface PlanQuestion {
  kind: CircuitKind;
  /** Each hypothesis' weight before any result. */
  weights: readonly Prior[];
  evidence: readonly { test: string; outcome: string }[];
  /** Tests that can't be done here, now or on this car. */
  withheld: readonly string[];
  /** What is known of the coolant's level. */
  level?: "line" | "low";
  isAfterRed: boolean;
  /** How the engine stands, as the book has it. */
  heat: Heat;
  ruledOut: readonly string[];
}

/** What to do next, and what contradicts itself. */
export interface FindPlan {
  actions: NextAction[];
  conflict: Conflict | null;
}

/** Belief with what was tried in vain gone, adding up to one again. */
export function withoutTried(
  belief: Record<string, number>,
  ruledOut: readonly string[],
): Record<string, number> {
  if (ruledOut.length === 0) return belief;
  const kept = Object.entries(belief).filter(([id]) => !ruledOut.includes(id));
  const total = kept.reduce((sum, [, share]) => sum + share, 0);
  const shares = kept.map(([id, share]) => [id, total > 0 ? share / total : 0] as const);
  return { ...Object.fromEntries(ruledOut.map((id) => [id, 0])), ...Object.fromEntries(shares) };
}

/** Another machine's last bit of a weight makes no other question. */
const DIGITS = 6;

/** One text for all questions that have the same plan. */
export const keyOf = (question: PlanQuestion): string =>
  JSON.stringify(question, (_, value) =>
    typeof value === "number" ? Number(value.toPrecision(DIGITS)) : value,
  );

/** What to do next, best first, and whether the results contradict each other: tens of milliseconds of work. */
export function planOf(question: PlanQuestion): FindPlan {
  const { kind, weights, evidence, withheld, level, isAfterRed, heat, ruledOut } = question;
  const circuit = CIRCUITS[kind];
  const whole = modelOf(circuit, { weights });
  const open = modelOf(circuit, { weights, without: withheld, level, isAfterRed, inHand: inHand(evidence) });
  const isLost = ruledOut.length >= whole.hypotheses.length;
  const actions = isLost ? [] : nextActions(open, evidence, USUAL_RATES, ruledOut, { heat });
  const now = withoutTried(posterior(whole, evidence), ruledOut);
  return {
    actions: coldFirst(offered(actions, open, now, evidence.length === 0), open, now, heat),
    conflict: conflict(whole, evidence) ?? null,
  };
}
