import { RADIATOR_LAG_C } from "../limits/index.ts";
import type { Turn } from "./find-turns.ts";
import type { SaidSpec } from "./said-spec.ts";

export interface FanSigns {
  /** In order; only turns at which a fan could be. */
  turns: readonly Turn[];
  spec: Pick<SaidSpec, "fanOnC" | "fanOffC" | "fanSenses">;
  startC: number;
  /** What a turn costs to explain without a fan, nats. */
  otherCost: (turn: Turn) => number;
  /** The hottest that the curve was between two turns, or from where turns are looked for up to the first, °C. */
  hottestC: (from: Turn | undefined, to: Turn) => number;
}

/** A switch repeats itself within this, and a turn is read within about as much, °C. */
const REPEATS_C = 1.2;
/** A turn this unlike its stage is as good as any other cause. */
const MOST_COST = 14;
/** Within this of the card nothing speaks against an offset; beyond it, it takes this many nats to be believed. */
const FREE_OFFSET_C = 3;
const OFFSET_COST = 3.5;
const OFFSET_COST_PER_C = 0.08;
const FAR_OFFSET_C = 18;
/** Two stages at one turn. */
const TWO_AT_ONCE_COST = 2;
/** A fan that was running already when the log began. */
const RUNNING_COST = 2.5;
/** Past its start by so much a fan runs, whether or not the curve shows where it began: raised revs hide that. */
const SURELY_PAST_C = 1;
const HIDDEN_COST = 2;
const STILL_COST = 2;
/** From this much under its start on a foot may be that fan's stop, and is no more to be had for nothing. */
const PERHAPS_RAN_C = 0.5;
/** Regulation and wind turn a fall slowly; a foot sharper than this has a cause, °C a second. */
const SHARP_FOOT_C_PER_S = 0.08;

export interface Offsets {
  onC: number;
  offC: number;
  cost: number;
}

/** Every pair of offsets from the card that one car's starts and stops may share, with what it costs to believe. */
export function offsets(spec: FanSigns["spec"]): Offsets[] {
  const found: Offsets[] = [];
  if (spec.fanSenses === "radiator") {
    for (let onC = RADIATOR_LAG_C.least; onC <= RADIATOR_LAG_C.most; onC++)
      for (let offC = onC - 2; offC <= onC + 8; offC++) found.push({ onC, offC, cost: 0.02 * onC });
    return found;
  }
  for (let onC = -FAR_OFFSET_C; onC <= FAR_OFFSET_C; onC++)
    for (let offC = onC - 5; offC <= onC + 5; offC++) {
      const far = (off: number) =>
        Math.abs(off) <= FREE_OFFSET_C
          ? 0.1 * Math.abs(off)
          : OFFSET_COST + OFFSET_COST_PER_C * Math.abs(off);
      found.push({ onC, offC, cost: far(onC) + 0.4 * far(offC) });
    }
  return found;
}

export interface Path {
  cost: number;
  events: { turn: Turn; from: number; to: number; saved: number }[];
  start: number;
}

function unlike(coolantC: number, wantedC: number): number {
  return Math.min(MOST_COST, 0.5 * ((coolantC - wantedC) / REPEATS_C) ** 2);
}

/** Somebody who heard the fan start or stop isn't overruled: the stage that was heard moved, or it ran already. */
function isAsWitnessed({ kind, stage }: NonNullable<Turn["witnessed"]>, from: number, to: number): boolean {
  if (kind === "fan-on")
    return to > from ? stage === undefined || to === stage : from === to && from >= (stage ?? 1);
  return to < from ? stage === undefined || to + 1 === stage : from === to && from < (stage ?? 1);
}

/** Each stage that was passed for sure since the turn before may have started unseen, and it costs to say that it stood still. */
function withHiddenStarts(paths: readonly Path[], isPassed: (stage: number) => boolean): Path[] {
  const after = [...paths];
  for (let stage = 1; stage < after.length; stage++) {
    const [still, started] = [after[stage - 1], after[stage]];
    if (!still || !started || !isPassed(stage)) continue;
    if (still.cost + HIDDEN_COST < started.cost) after[stage] = { ...still, cost: still.cost + HIDDEN_COST };
    after[stage - 1] = { ...still, cost: still.cost + STILL_COST };
  }
  return after;
}

/** The cheapest sequence of running stages for one pair of offsets: dynamic programming over the turns. */
export function bestPath(
  signs: FanSigns,
  others: number[],
  hottest: readonly number[],
  { onC, offC, cost }: Offsets,
): Path {
  const { spec, turns, startC } = signs;
  const stages = spec.fanOnC.length;
  const on = (stage: number) => (spec.fanOnC[stage - 1] ?? 0) + onC;
  const off = (stage: number) => (spec.fanOffC[stage - 1] ?? 0) + offC;
  let paths: Path[] = Array.from({ length: stages + 1 }, (_, running) => ({
    cost: cost + (running === 0 ? 0 : startC > off(running) ? RUNNING_COST : Number.POSITIVE_INFINITY),
    events: [],
    start: running,
  }));
  turns.forEach((turn, index) => {
    const other = others[index] ?? 0;
    const hottestC = spec.fanSenses === "radiator" ? Number.NEGATIVE_INFINITY : (hottest[index] ?? 0);
    paths = withHiddenStarts(paths, (stage) => hottestC > on(stage) + SURELY_PAST_C);
    const next: Path[] = [];
    for (let to = 0; to <= stages; to++) {
      let best: Path | undefined;
      for (let from = 0; from <= stages; from++) {
        const path = paths[from];
        if (!path || path.cost === Number.POSITIVE_INFINITY) continue;
        const { witnessed } = turn;
        if (witnessed && !isAsWitnessed(witnessed, from, to)) continue;
        if (to > from && turn.kind === "bottom") continue;
        if (to < from && turn.kind !== "bottom") continue;
        if (turn.kind === "easing" && to > 1) continue;
        // A slow foot with no fan running follows from whatever made the top before it.
        const isFree =
          hottestC < on(1) - PERHAPS_RAN_C && Math.abs(turn.before - turn.after) < SHARP_FOOT_C_PER_S;
        const none = turn.kind === "bottom" && from === 0 && isFree ? 0 : other;
        let step = none;
        if (to > from) step = unlike(turn.coolantC, on(to)) + TWO_AT_ONCE_COST * (to - from - 1);
        if (to < from) step = unlike(turn.coolantC, off(to + 1)) + TWO_AT_ONCE_COST * (from - to - 1);
        const total = path.cost + step;
        if (best && total >= best.cost) continue;
        best = {
          cost: total,
          start: path.start,
          events: to === from ? path.events : [...path.events, { turn, from, to, saved: other - step }],
        };
      }
      next.push(best ?? { cost: Number.POSITIVE_INFINITY, events: [], start: 0 });
    }
    paths = next;
  });
  return paths.reduce((best, path) => (path.cost < best.cost ? path : best));
}
