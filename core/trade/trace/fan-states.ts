import { bestPath, type FanSigns, offsets, type Path } from "./fan-paths.ts";
import type { Turn } from "./find-turns.ts";

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

/** A turn with no other cause at hand costs at least this to explain without a fan, nats. */
const UNDISTURBED = 2.5;
const CLEAR_SWING_C = 1.6;
/** One as sharp as this is clear however soon the log ended, °C a second. */
const CLEAR_TURN_C_PER_S = 0.2;
const ALIKE_C = 1.3;
const REPEATED = 3;

/**
 * Whether a start or stop stands on more than one turn that revs, an opening or whole degrees make as well: it is an
 * undisturbed and marked one itself, or such a one of its kind lies at the same temperature.
 */
function isBorneOut(event: FanEvent, events: readonly FanEvent[], otherCost: FanSigns["otherCost"]): boolean {
  const isClear = ({ turn }: FanEvent) =>
    turn.witnessed !== undefined ||
    (otherCost(turn) >= UNDISTURBED &&
      (turn.swingC >= CLEAR_SWING_C || Math.abs(turn.before - turn.after) > CLEAR_TURN_C_PER_S));
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
  const hottest = signs.turns.map((turn, index) => signs.hottestC(signs.turns[index - 1], turn));
  let best: Path | undefined;
  if (signs.spec.fanOnC.length > 0)
    for (const each of offsets(signs.spec)) {
      const path = bestPath(signs, others, hottest, each);
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
