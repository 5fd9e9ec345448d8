import { type Curve, fitHinge } from "./curve.ts";

export interface Turn {
  kind: "top" | "bottom" | "easing";
  atS: number;
  coolantC: number;
}

/** A swing smaller than this is the sensor's own jitter. */
const LEAST_SWING_C = 1.3;
const SMOOTH_S = 13;
/** Lines are drawn as far from a turn as the curve takes to leave it by this, so slow and fast cars are read alike. */
const LINE_C = 2.6;
const SHORTEST_LINE_S = 14;
const LONGEST_LINE_S = 90;
/** A low fan stage that only slows the climb cuts its rate at least to this share, by at least this much. */
const EASING_SHARE = 0.55;
const EASING_LEAST = 0.02;
const EASING_REACH_S = 45;
const BENT_SHARE = 0.9;

function zigzag(smooth: Float64Array, from: number): { kind: "top" | "bottom"; cell: number }[] {
  const turns: { kind: "top" | "bottom"; cell: number }[] = [];
  let direction = 0;
  let extreme = from;
  let low = from;
  let high = from;
  for (let cell = from; cell < smooth.length; cell++) {
    const figure = smooth[cell] ?? 0;
    if (direction === 0) {
      if (figure > (smooth[high] ?? 0)) high = cell;
      if (figure < (smooth[low] ?? 0)) low = cell;
      if (figure > (smooth[low] ?? 0) + LEAST_SWING_C) {
        direction = 1;
        if (low > from + SMOOTH_S) turns.push({ kind: "bottom", cell: low });
        extreme = cell;
      } else if (figure < (smooth[high] ?? 0) - LEAST_SWING_C) {
        direction = -1;
        if (high > from + SMOOTH_S) turns.push({ kind: "top", cell: high });
        extreme = cell;
      }
      continue;
    }
    if ((figure - (smooth[extreme] ?? 0)) * direction > 0) extreme = cell;
    else if (((smooth[extreme] ?? 0) - figure) * direction > LEAST_SWING_C) {
      turns.push({ kind: direction > 0 ? "top" : "bottom", cell: extreme });
      direction = -direction;
      extreme = cell;
    }
  }
  return turns;
}

/** The cell on one side of a turn at which the curve has left it by `LINE_C`, held to what a line can follow. */
function edge(smooth: Float64Array, cell: number, direction: 1 | -1, limit: number): number {
  const value = smooth[cell] ?? 0;
  let at = cell;
  while (at !== limit && Math.abs(at - cell) < LONGEST_LINE_S && Math.abs((smooth[at] ?? 0) - value) < LINE_C)
    at += direction;
  const far = direction > 0 ? Math.max(at, cell + SHORTEST_LINE_S) : Math.min(at, cell - SHORTEST_LINE_S);
  return direction > 0 ? Math.min(far, limit) : Math.max(far, limit);
}

/** Every lasting turn of the curve from cell `from` on, each placed where its rise and its fall meet. */
export function findTurns(curve: Curve, from: number): Turn[] {
  const smooth = curve.smooth(SMOOTH_S);
  const rough = zigzag(smooth, from);
  return rough.map(({ kind, cell }, index) => {
    const left = edge(smooth, cell, -1, rough[index - 1]?.cell ?? from);
    const right = edge(smooth, cell, 1, rough[index + 1]?.cell ?? curve.length - 1);
    const hinge = fitHinge(curve, left, right, 6);
    const at = hinge && hinge.at > left && hinge.at < right ? hinge.at : cell;
    const coolantC = hinge && at === hinge.at ? hinge.value : curve.mean(cell - 3, cell + 4);
    return { kind, atS: at, coolantC };
  });
}

/** The sharpest lasting slowing of the climb while the coolant is within `withinC` of `aroundC`, if there is one. */
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
    const before = curve.line(Math.max(range.from, cell - EASING_REACH_S), cell).slope;
    const after = curve.line(cell + 4, Math.min(range.to, cell + 4 + EASING_REACH_S)).slope;
    const fall = before - after;
    if (fall < EASING_LEAST || after > EASING_SHARE * before) continue;
    if (!best || fall > best.fall) best = { cell, fall };
  }
  if (!best) return undefined;
  const from = Math.max(range.from, best.cell - 50);
  const to = Math.min(range.to, best.cell + 50);
  const hinge = fitHinge(curve, from, to, 10);
  if (!hinge) return undefined;
  // A curve that merely flattens towards its balance is as well told by one line in each quarter as by a bend.
  const bent = curve.line(from, hinge.at).residual + curve.line(hinge.at, to).residual;
  const even = curve.line(from, (from + to) / 2).residual + curve.line((from + to) / 2, to).residual;
  if (bent > BENT_SHARE * even) return undefined;
  return { kind: "easing", atS: hinge.at, coolantC: hinge.value };
}
