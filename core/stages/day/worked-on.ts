import { type Entry, inTrueOrder, type Stage, standing } from "../../book/entry/index.ts";
import { Finding, factsOf, StepBack, StepDone } from "../../book/facts/index.ts";
import { FEATURES, GOALS, stepsFor } from "../../trade/order/index.ts";
import { FIND_MINUTES } from "./minutes.ts";

/** What work took at a stage of a job beside its estimate, minutes. */
export interface Worked {
  stage: Stage;
  estimated: number;
  real: number;
}

const MINUTE_MS = 60_000;
/** Longer between two lines, hands were elsewhere. */
export const MOST_GAP_MS = 45 * MINUTE_MS;
/** Of fewer steps their lines tell no pace. */
const FEWEST_STEPS = 3;
/** Lines that were written at once tell of no time at all. */
const LEAST_MINUTES = 2;

const STEPS = new Map(
  GOALS.flatMap((goal) => stepsFor(goal, FEATURES)).map(({ id, minutes }) => [id, minutes]),
);
const minutesOf = (steps: readonly string[]) =>
  [...new Set(steps)].reduce((sum, step) => sum + (STEPS.get(step) ?? 0), 0);

/** Hands on it at a stage: from each line to the next there, where that is no more than three quarters of an hour. */
function realAt(lines: readonly Entry[], stage: Stage): number {
  let ms = 0;
  for (let index = 1; index < lines.length; index++) {
    const [before, line] = [lines[index - 1], lines[index]];
    if (!before || line?.stage !== stage) continue;
    const gap = Date.parse(line.at) - Date.parse(before.at);
    if (gap <= MOST_GAP_MS) ms += Math.max(0, gap);
  }
  return ms / MINUTE_MS;
}

/** What the work on a job took beside what it was taken for, by its lines: finding, taking apart, putting back. A stage that tells none has none. */
export function workedOn(entries: readonly Entry[]): Worked[] {
  const lines = standing(inTrueOrder(entries));
  const done = factsOf(entries, StepDone).map(({ fact }) => fact.step);
  const back = factsOf(entries, StepBack).map(({ fact }) => fact.step);
  const estimates: [Stage, number][] = [
    ["find", factsOf(entries, Finding).length > 0 ? FIND_MINUTES : 0],
    ["strip", done.length >= FEWEST_STEPS ? minutesOf(done) : 0],
    ["build", back.length >= FEWEST_STEPS ? minutesOf(back) : 0],
  ];
  return estimates.flatMap(([stage, estimated]) => {
    const real = estimated > 0 ? realAt(lines, stage) : 0;
    return real >= LEAST_MINUTES ? [{ stage, estimated, real: Math.round(real) }] : [];
  });
}
