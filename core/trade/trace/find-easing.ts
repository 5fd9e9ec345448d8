import { type Curve, fitHinge } from "./curve.ts";
import type { Turn } from "./find-turns.ts";

/** A low fan stage that only slows the climb cuts its rate at least to this share, by at least this much. */
const EASING_SHARE = 0.6;
const EASING_LEAST = 0.015;
const REACH_S = 45;
const APART_S = 4;
const NEIGHBOURHOOD_S = 50;
/** A curve that merely flattens towards its balance is as well told by an even bend as by a sharp one. */
const BENT_SHARE = 0.9;
const SMOOTH_S = 13;

/** The sharpest lasting slowing of the climb within a stretch and a band of temperature, if there is one. */
export function findEasing(
  curve: Curve,
  range: { from: number; to: number },
  aroundC: number,
  withinC: number,
): Turn | undefined {
  const smooth = curve.smooth(SMOOTH_S);
  let best: { cell: number; fall: number } | undefined;
  for (let cell = range.from + 20; cell + 20 < range.to; cell++) {
    if (Math.abs((smooth[cell] ?? 0) - aroundC) > withinC) continue;
    const before = curve.line(Math.max(range.from, cell - REACH_S), cell).slope;
    const after = curve.line(cell + APART_S, Math.min(range.to, cell + APART_S + REACH_S)).slope;
    const fall = before - after;
    if (fall < EASING_LEAST || after > EASING_SHARE * before) continue;
    if (!best || fall > best.fall) best = { cell, fall };
  }
  if (!best) return undefined;
  const from = Math.max(range.from, best.cell - NEIGHBOURHOOD_S);
  const to = Math.min(range.to, best.cell + NEIGHBOURHOOD_S);
  const hinge = fitHinge(curve, from, to, 10);
  if (!hinge) return undefined;
  const middle = (from + to) / 2;
  const bent = curve.line(from, hinge.at).residual + curve.line(hinge.at, to).residual;
  const even = curve.line(from, middle).residual + curve.line(middle, to).residual;
  if (bent > BENT_SHARE * even && Math.abs(hinge.at - middle) > 5) return undefined;
  return {
    kind: "easing",
    at: hinge.at,
    coolantC: hinge.value,
    before: hinge.before,
    after: hinge.after,
    swingC: 0,
  };
}
