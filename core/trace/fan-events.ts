import type { TraceEvent, TraceSpec } from "./analysis.ts";
import type { Curve, Hinge } from "./curve.ts";
import { findEasing, type Turn } from "./find-fans.ts";

interface Signs {
  curve: Curve;
  turns: Turn[];
  knee: Hinge | undefined;
  spec: TraceSpec;
  toleranceC: number;
  revsSteps: number[];
}

/** An opening thermostat lets a slug of cold coolant in: the curve may dip and swing about the opening for a while. */
const HUNTING_C = 6;
const HUNTING_S = 240;
/** Nothing below this starts a fan for the coolant's sake. */
const COLDEST_FAN_C = 70;
const REVS_NEAR_S = 15;

const nearest = (
  figures: number[],
  target: number,
  allowed: (index: number) => boolean,
): number | undefined =>
  figures
    .map((figure, index) => ({ index, off: Math.abs(figure - target) }))
    .filter(({ index }) => allowed(index))
    .sort((a, b) => a.off - b.off)[0]?.index;

function isHunting(turn: Turn, { knee, spec, toleranceC }: Signs): boolean {
  const opensC = knee?.value ?? spec.thermostatOpensC;
  const lowestStart = Math.min(...spec.fanOnC);
  const soon = knee === undefined || turn.atS - knee.at < HUNTING_S;
  return soon && Math.abs(turn.coolantC - opensC) <= HUNTING_C && turn.coolantC < lowestStart - toleranceC;
}

function isRevs(turn: Turn, { spec, toleranceC, revsSteps }: Signs): boolean {
  const limits = turn.kind === "top" ? spec.fanOnC : spec.fanOffC;
  const wanted = limits.some((limit) => Math.abs(limit - turn.coolantC) <= toleranceC);
  return !wanted && revsSteps.some((step) => Math.abs(step - turn.atS) < REVS_NEAR_S);
}

/**
 * Fan starts and stops from the turns of the curve: a top is a start of the stage whose start lies nearest among those
 * not running, a bottom the stop of the running stage whose stop lies nearest. A low stage that only slows the climb
 * is looked for before the first top. On a log that starts with a fan running, the first bottom is its stop.
 */
export function fanEvents(signs: Signs): TraceEvent[] {
  const { curve, turns, knee, spec, toleranceC } = signs;
  if (spec.fanOnC.length === 0) return [];
  const running = spec.fanOnC.map(() => false);
  const events: TraceEvent[] = [];
  const real = turns.filter(
    (turn) => turn.coolantC >= COLDEST_FAN_C && !isHunting(turn, signs) && !isRevs(turn, signs),
  );
  const firstTop = real.find((turn) => turn.kind === "top");
  const firstStage = firstTop
    ? (nearest(spec.fanOnC, firstTop.coolantC, () => true) ?? 0)
    : spec.fanOnC.length;
  let from = Math.round((knee?.at ?? 0) + 40);
  for (let stage = 0; stage < Math.min(firstStage, spec.fanOnC.length); stage++) {
    if (!knee) break;
    const to = Math.round(firstTop?.atS ?? curve.length);
    const easing = findEasing(curve, { from, to }, spec.fanOnC[stage] ?? 0, toleranceC);
    if (!easing || spec.fanOnC.length < 2) continue;
    events.push({ kind: "fan-on", atS: easing.atS, coolantC: easing.coolantC, stage: stage + 1 });
    running[stage] = true;
    from = Math.round(easing.atS + 40);
  }
  for (const turn of real) {
    const { atS, coolantC } = turn;
    if (turn.kind === "top") {
      const stage = nearest(spec.fanOnC, coolantC, (index) => !running[index]);
      if (stage === undefined) continue;
      running[stage] = true;
      events.push({ kind: "fan-on", atS, coolantC, stage: stage + 1 });
    } else {
      const wasRunning = running.some(Boolean);
      const stage = nearest(spec.fanOffC, coolantC, (index) => running[index] || !wasRunning);
      const offC = spec.fanOffC[stage ?? 0] ?? 0;
      if (stage === undefined || (!wasRunning && Math.abs(coolantC - offC) > toleranceC)) continue;
      running[stage] = false;
      events.push({ kind: "fan-off", atS, coolantC, stage: stage + 1 });
    }
  }
  return events;
}
