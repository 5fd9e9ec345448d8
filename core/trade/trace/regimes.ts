import type { CleanSignal } from "./clean-signal.ts";
import { Curve } from "./curve.ts";
import { type FanReading, readFans } from "./fan-states.ts";
import { findEasing } from "./find-easing.ts";
import { findOpening, type ShutClimb } from "./find-opening.ts";
import { findTurns, type Turn } from "./find-turns.ts";
import { type Witness, witnesses } from "./marks.ts";
import { openingInHold } from "./opening-in-hold.ts";
import { type RevsHold, revsHolds } from "./revs.ts";
import type { SaidSpec } from "./said-spec.ts";
import type { Mark } from "./trace.ts";
import { witnessedTurns } from "./witnessed-turns.ts";

/** The states that an engine went through while it was logged. */
export interface Regimes {
  curve: Curve;
  startC: number;
  shut: ShutClimb;
  fans: FanReading;
  /** Every lasting turn of the curve, fan or not. */
  turns: Turn[];
  holds: RevsHold[];
  /** What a person marked, on the one-second grid. */
  witnesses: Witness[];
}

/** What a turn costs to explain without a fan, nats: somebody heard it, nothing else known, a small swing, a cause at hand. */
const WITNESSED = 20;
const UNEXPLAINED = 6;
const SMALL_SWING = 3;
const SMALL_SWING_C = 2;
const BY_REVS = 0.8;
const BY_OPENING = 0.6;
const BY_SLUG = 0.4;
const EASED = 1.2;
/** A fan turns the curve sharply; wind, regulation and flipping whole degrees don't, °C a second. */
const SLOW_C_PER_S = 0.03;
const BY_WIND = 0.8;
/** An opening thermostat lets cold water in, closes on it and opens again: it hunts about its opening for a while. */
const HUNTING_C = 8;
const HUNTING_S = 300;
/** Revs turn the curve at once as they rise, and as the metal's heat follows when they fall. */
const REVS_BEFORE_S = 8;
const REVS_AFTER_S = 50;
const SLUG_NEAR_S = 25;
const NEAR_CARD_C = 4;
const SAME_BEND_S = 40;
/** Jitter and whole degrees don't make a hottest. */
const SMOOTH_S = 9;
/** No fan starts for the coolant's sake below this. */
const COLDEST_FAN_C = 60;

function otherCost(
  { slugs, grid }: CleanSignal,
  shut: ShutClimb,
  holds: readonly RevsHold[],
  spec: SaidSpec,
) {
  const opening = shut.opening;
  const lowestStart = Math.min(...spec.fanOnC);
  const openedAt =
    opening?.at ??
    Math.max(
      0,
      grid.findIndex((figure) => figure >= spec.thermostatOpensC - 3),
    );
  return (turn: Turn): number => {
    if (turn.witnessed) return WITNESSED;
    const isNear = (cell: number) => turn.at > cell - REVS_BEFORE_S && turn.at < cell + REVS_AFTER_S;
    if (slugs.some(({ from, to }) => turn.at > from - SLUG_NEAR_S && turn.at < to + SLUG_NEAR_S))
      return BY_SLUG;
    if (holds.some(({ from, to }) => isNear(from) || isNear(to))) return BY_REVS;
    const opensC = opening?.coolantC ?? spec.thermostatOpensC;
    const isSoon = turn.at - openedAt < HUNTING_S;
    const isHunting =
      isSoon && Math.abs(turn.coolantC - opensC) < HUNTING_C && turn.coolantC < lowestStart - 3;
    if (isHunting) return BY_OPENING;
    if (turn.kind === "easing") return EASED;
    if (Math.abs(turn.before - turn.after) < SLOW_C_PER_S) return BY_WIND;
    return turn.swingC < SMALL_SWING_C ? SMALL_SWING : UNEXPLAINED;
  };
}

/** Where a low stage may have done no more than slow the climb, before the curve first turns. */
function easings(curve: Curve, turns: Turn[], shut: ShutClimb, spec: SaidSpec): Turn[] {
  if (!shut.opening || spec.fanOnC.length < 2 || spec.fanSenses === "radiator") return [];
  const firstTop = turns.find(({ kind, at }) => kind === "top" && at > (shut.opening?.at ?? 0) + 60);
  const range = { from: shut.opening.at + 60, to: Math.round(firstTop?.at ?? curve.length) };
  const easing = findEasing(curve, range, spec.fanOnC[0] ?? 0, 5);
  return easing ? [easing] : [];
}

/** A fan's start far above where the card opens bends the climb as well: the fan it is, not a late opening. */
function withoutFansBend(shut: ShutClimb, turns: readonly Turn[], spec: SaidSpec): ShutClimb {
  const { opening } = shut;
  if (!opening || Math.abs(opening.coolantC - spec.thermostatOpensC) < NEAR_CARD_C) return shut;
  const isFan = turns.some(
    ({ kind, at, coolantC }) =>
      kind === "top" &&
      Math.abs(at - opening.at) < SAME_BEND_S &&
      spec.fanOnC.some((onC) => Math.abs(coolantC - onC) < NEAR_CARD_C),
  );
  return isFan ? { ...shut, opening: undefined } : shut;
}

/** The states of the engine over a log, each with the temperature at which it came. */
export function readRegimes(clean: CleanSignal, spec: SaidSpec, marks: readonly Mark[] = []): Regimes {
  const curve = new Curve(clean.grid);
  const holds = revsHolds(clean.rpm);
  const every = findTurns(curve, 0).filter(({ coolantC }) => coolantC > COLDEST_FAN_C);
  const idling = findOpening({ ...clean, holds, cardC: spec.thermostatOpensC });
  const opening = idling.opening ?? openingInHold(curve, holds, spec.thermostatOpensC, idling);
  const shut = withoutFansBend({ ...idling, opening }, every, spec);
  const from = shut.opening ? Math.max(0, shut.opening.at - 5) : 0;
  const turns = every.filter(({ at }) => at > from);
  const startC = curve.mean(0, 10);
  const seen = witnesses(marks, spec.fanOnC.length).map((witness) => ({
    ...witness,
    s: witness.s - clean.startS,
  }));
  const all = witnessedTurns([...turns, ...easings(curve, turns, shut, spec)], seen, curve);
  const smooth = curve.smooth(SMOOTH_S);
  const hottestC = (before: Turn | undefined, to: Turn) =>
    smooth
      .subarray(Math.max(from, before?.at ?? 0), to.at)
      .reduce((most, figure) => Math.max(most, figure), 0);
  const fans = readFans({
    turns: all,
    spec,
    startC,
    otherCost: otherCost(clean, shut, holds, spec),
    hottestC,
  });
  return { curve, startC, shut, fans, turns: all, holds, witnesses: seen };
}
