import { conflict, HAND_BACK, nextActions } from "../diagnosis/index.ts";
import {
  handbookPriors,
  modelOf,
  REPAIRS,
  testOf,
  USUAL_RATES,
  weighAsked,
} from "../diagnosis/knowledge/index.ts";
import { MOST_ACTS, type PracticeAct } from "./acts.ts";
import type { Hidden } from "./hidden.ts";
import { PracticeRound } from "./round.ts";

/** A warm engine is cool enough to open after so many hours at most. */
const MOST_WAITS = 5;

/** What is believed of a car in practice by what its owner said and by what was done so far: as Find would put it. */
export function modelNow(round: PracticeRound, without: readonly string[] = []) {
  const { circuit, evidence } = round;
  const level = evidence.find(({ test }) => test === "level")?.outcome;
  return modelOf(circuit, {
    without,
    weights: weighAsked(handbookPriors(circuit), { troubles: [round.trouble] }),
    ...((level === "line" || level === "low") && { level }),
  });
}

/** The next thing that the planner would do; a pair of faults where no single one explains what was seen any more. */
function nextOf(
  round: PracticeRound,
  without: readonly string[],
): { kind: "test" | "repair"; id: string } | undefined {
  const model = modelNow(round, without);
  const { evidence, ruledOut } = round;
  const { heat } = round.standing;
  try {
    return nextActions(model, evidence, USUAL_RATES, ruledOut, { heat })[0];
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    const faults = conflict(model, evidence)?.pair?.faults ?? [];
    const fault = faults.find((each) => !ruledOut.includes(each));
    const repair = REPAIRS.find(({ id, fixes }) => id !== HAND_BACK && fault && fixes.includes(fault));
    return repair && { kind: "repair", id: repair.id };
  }
}

/** What has to come before a test or a repair on an engine as it stands: heat, or waiting. */
function before(round: PracticeRound, next: { kind: "test" | "repair"; id: string }): PracticeAct[] {
  const { heat, isHotEnough, isTooHotToRun, isSafeToOpen } = round.standing;
  if (next.kind === "repair") {
    const isWet = REPAIRS.find(({ id }) => id === next.id)?.hazards.includes("pressure");
    return isWet && !isSafeToOpen ? [{ do: "wait", minutes: 60 }] : [];
  }
  const { engine } = testOf(next.id);
  if (engine === "hot" && !isHotEnough) return [{ do: "run", rpm: 2500, minutes: 5 }];
  if (engine === "hot" && isTooHotToRun) return [{ do: "wait", minutes: 10 }];
  if (engine === "cold" && heat !== "cold") return [{ do: "night" }];
  if (engine === "heats" && heat === "hot") return [{ do: "night" }];
  return [];
}

/**
 * The round as the planner of Find would go through it: its first choice each time, whatever has to come before it, nothing opened
 * hot. The same car, the same results. It ends as a round does, or is given up where nothing is left to do.
 */
export function plannersWay(hidden: Hidden): PracticeRound {
  const round = new PracticeRound(hidden);
  const inVain: string[] = [];
  while (!round.end) {
    const next = round.done.length < MOST_ACTS - MOST_WAITS ? nextOf(round, inVain) : undefined;
    if (!next) {
      round.act({ do: "give-up" });
      break;
    }
    for (let waits = 0; waits < MOST_WAITS; waits++) {
      const [first] = before(round, next);
      if (!first) break;
      round.act(first);
    }
    const done = round.act({ do: next.kind, id: next.id });
    // What told nothing isn't tried again.
    if (next.kind === "test" && done.outcome === undefined) inVain.push(next.id);
  }
  return round;
}
