import { COOLS_IN_H } from "../../state/index.ts";
import { USUAL_RATES } from "../../trade/diagnosis/knowledge/index.ts";
import { HAND_BACK } from "../../trade/diagnosis/model/index.ts";
import { lacksCold } from "./cold-first.ts";
import type { FindState } from "./find-state.ts";

/** A shop that opens at eight has done by five: from four on what is begun hot is not finished cold. */
const EVENING_FROM_H = 16;
const NIGHT_UNTIL_H = 5;
const MORNING_H = 7;
const HOUR_MS = 3_600_000;

export interface Overnight {
  /** The cold test that the morning begins with. */
  test: string;
  /** True where it is the best next step at any hour; else only because the evening makes the night free. */
  isBest: boolean;
  /** How sure "nothing wrong" would be with the cold tests that it lacks, 0 to 1. */
  sure?: number;
}

const isEvening = (hour: number) => hour >= EVENING_FROM_H || hour < NIGHT_UNTIL_H;

/** What "nothing wrong" lacks that only a cold engine shows; nothing where it is not what the results say, or lacks nothing. */
export const coldLacked = ({ actions, model, suspects }: FindState) =>
  actions[0]?.id === HAND_BACK
    ? lacksCold(actions, model, Object.fromEntries(suspects.map(({ id, share }) => [id, share])))
    : undefined;

/**
 * The cold test worth letting the hot engine stand for: where waiting is the best next step, or in the evening, when the
 * night comes anyway and costs nothing; and where "nothing wrong" can't be made surer today. `hour` from 0 to 23, by the shop's clock. Nothing where the engine is cold, where
 * a verdict is cheaper, or where the results contradict each other.
 */
export function overnightOffer(state: FindState, hour: number): Overnight | undefined {
  const { actions, conflict } = state;
  const [best] = actions;
  if (!best || conflict) return undefined;
  const lacks = coldLacked(state);
  if (lacks?.tests[0]) return { test: lacks.tests[0], isBest: false, sure: lacks.sure };
  const isCold = (action: (typeof actions)[number]) => action.kind === "test" && action.first === "cool";
  if (isCold(best)) return { test: best.id, isBest: true };
  if (!isEvening(hour)) return undefined;
  const nightCents = (USUAL_RATES.coolMinutes ?? 0) * USUAL_RATES.centsPerMinute;
  const cold = actions.find(isCold);
  return cold && cold.expectedCents - nightCents < best.expectedCents
    ? { test: cold.id, isBest: false }
    : undefined;
}

/** When a car that is left now is taken on again, ISO 8601: in the morning, and not before it has cooled. */
export function morningAfter(now: string, hour: number): string {
  const hours = Math.max(COOLS_IN_H, (MORNING_H - hour + 24) % 24);
  return new Date(Math.floor(Date.parse(now) / HOUR_MS + hours) * HOUR_MS).toISOString();
}
