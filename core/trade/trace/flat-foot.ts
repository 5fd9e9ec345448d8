import type { Curve } from "./curve.ts";

/** A foot that stays within this of its lowest for so long is flat: no two lines tell where in it the rise was caused. */
const FLAT_C = 0.6;
const FLAT_S = 70;
/** Whole degrees hide when in a flat a fan stopped: over cars of other equations it was most often about here. */
const SHARE = 0.6;
const FALL_OVER_S = 15;
const REACH_S = 5;

export interface FlatFoot {
  at: number;
  coolantC: number;
  /** How fast the curve fell into the flat, °C a second. */
  before: number;
}

/** The flat that a foot of the smoothed curve ends, if it ends one: a fall that has almost come to rest before something lets it rise. */
export function flatFoot(
  curve: Curve,
  smooth: Float64Array,
  foot: number,
  from: number,
): FlatFoot | undefined {
  const at = (cell: number) => smooth[cell] ?? 0;
  let lowest = foot;
  for (let cell = foot; cell > from && at(cell) < at(foot) + FLAT_C; cell--)
    if (at(cell) < at(lowest)) lowest = cell;
  const isFlat = (cell: number) => at(cell) < at(lowest) + FLAT_C;
  let start = lowest;
  while (start > from && isFlat(start)) start--;
  let end = lowest;
  while (end < smooth.length - 1 && isFlat(end)) end++;
  if (end - start < FLAT_S) return undefined;
  const cell = start + SHARE * (end - start);
  return {
    at: cell,
    coolantC: curve.mean(cell - REACH_S, cell + REACH_S + 1),
    before: curve.line(start - FALL_OVER_S, start).slope,
  };
}
