import { RADIATOR_LAG_C } from "../limits/index.ts";
import type { Turn } from "./find-turns.ts";
import type { SaidSpec } from "./said-spec.ts";

/** A turn with what it was taken for: a stage that started or stopped, or something that is no fan. */
export interface FanEvent {
  kind: "fan-on" | "fan-off";
  /** From 1. */
  stage: number;
  turn: Turn;
  /** How much dearer, in nats, the log is to explain without this event. */
  evidence: number;
}

export interface FanReading {
  events: FanEvent[];
  /** Stages that ran when the log began. */
  runningAtStart: number;
}

export interface FanSigns {
  /** In order; only turns at which a fan could be. */
  turns: readonly Turn[];
  spec: Pick<SaidSpec, "fanOnC" | "fanOffC" | "fanSenses">;
  startC: number;
  /** What a turn costs to explain without a fan, nats. */
  otherCost: (turn: Turn) => number;
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
/** A turn with no other cause at hand costs at least this to explain without a fan, nats. */
const UNDISTURBED = 2.5;
const CLEAR_SWING_C = 1.6;
const ALIKE_C = 1.3;
const REPEATED = 3;
/** Two stages at one turn. */
const TWO_AT_ONCE_COST = 2;
/** A fan that was running already when the log began. */
const RUNNING_COST = 2.5;

interface Offsets {
  onC: number;
  offC: number;
  cost: number;
}

function offsets(spec: Pick<SaidSpec, "fanOnC" | "fanOffC" | "fanSenses">): Offsets[] {
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

interface Path {
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

/** The cheapest sequence of running stages for one pair of offsets: dynamic programming over the turns. */
function bestPath(signs: FanSigns, others: number[], { onC, offC, cost }: Offsets): Path {
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
        // A foot with no fan running follows from whatever made the top before it.
        const none = turn.kind === "bottom" && from === 0 ? 0 : other;
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

/**
 * Whether a start or stop stands on more than one turn that revs, an opening or whole degrees make as well: it is an
 * undisturbed and marked one itself, or such a one of its kind lies at the same temperature.
 */
function isBorneOut(event: FanEvent, events: readonly FanEvent[], otherCost: FanSigns["otherCost"]): boolean {
  const isClear = ({ turn }: FanEvent) =>
    turn.witnessed !== undefined || (otherCost(turn) >= UNDISTURBED && turn.swingC >= CLEAR_SWING_C);
  const alike = events.filter(
    ({ kind, stage, turn }) =>
      kind === event.kind && stage === event.stage && Math.abs(turn.coolantC - event.turn.coolantC) < ALIKE_C,
  );
  return alike.some(isClear) || (alike.length >= REPEATED && otherCost(event.turn) >= UNDISTURBED);
}

/**
 * Which turns of the curve are fan stages that started and stopped. One car's switch repeats itself, so its starts
 * share one offset from the card and its stops another: for each pair of offsets the cheapest sequence of running
 * stages is found, and the pair that explains the whole log best is taken.
 */
export function readFans(signs: FanSigns): FanReading {
  const others = signs.turns.map(signs.otherCost);
  let best: Path | undefined;
  if (signs.spec.fanOnC.length > 0)
    for (const each of offsets(signs.spec)) {
      const path = bestPath(signs, others, each);
      if (!best || path.cost < best.cost) best = path;
    }
  if (!best) return { events: [], runningAtStart: 0 };
  const events = best.events.map(
    // Where two stages went at once, the one whose temperature it was; the other's own moment was not seen.
    ({ turn, from, to, saved }): FanEvent =>
      to > from
        ? { kind: "fan-on", stage: to, turn, evidence: saved }
        : { kind: "fan-off", stage: to + 1, turn, evidence: saved },
  );
  return {
    events: events.filter((event) => isBorneOut(event, events, signs.otherCost)),
    runningAtStart: best.start,
  };
}
