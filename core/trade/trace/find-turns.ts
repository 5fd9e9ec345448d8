import { type Curve, fitHinge } from "./curve.ts";
import { flatFoot } from "./flat-foot.ts";

/** A lasting turn of the curve: the top of a rise, the foot of a fall, or a rise that eases without turning. */
export interface Turn {
  kind: "top" | "bottom" | "easing";
  /** Cell of the one-second grid, and temperature there, where the turn set in. */
  at: number;
  coolantC: number;
  /** Rates on either side, °C a second. */
  before: number;
  after: number;
  /** What a person saw or heard there, which no reading of the curve overrules. */
  witnessed?: { kind: "fan-on" | "fan-off"; stage?: number };
  /** How far the curve swung away on the lesser side, °C. */
  swingC: number;
}

/** A swing smaller than this is the sensor's own jitter and whole degrees. */
const LEAST_SWING_C = 1.3;
/** A crest that stays within this of its highest is flat: whole degrees and jitter. */
const FLAT_C = 0.6;
const SMOOTH_S = 13;
/** Lines are drawn as far from a turn as the curve takes to leave it by this, so slow and fast cars are read alike. */
const LINE_C = 2.6;
const SHORTEST_LINE_S = 14;
const LONGEST_LINE_S = 90;
/** Where the curve has left the line it was on by this, the turn has set in. */
const DEPARTED_C = 0.4;
const SETS_IN_S = 20;
const LEAST_LINE_S = 14;
/** The radiator's water is on its way to the sensor, and the sensor after it, for about this. */
const ON_ITS_WAY_S = 4;
const LEFT_OUT_S = 9;

interface Extreme {
  kind: "top" | "bottom";
  cell: number;
}

/** Tops and feet with a swing between them; of a flat one its end, where what turned the curve set in. */
function zigzag(smooth: Float64Array, from: number): Extreme[] {
  const turns: Extreme[] = [];
  let direction = 0;
  let extreme = { cell: from, value: smooth[from] ?? 0 };
  let low = extreme;
  let high = extreme;
  const push = (kind: "top" | "bottom", { cell }: { cell: number }) => turns.push({ kind, cell });
  for (let cell = from; cell < smooth.length; cell++) {
    const value = smooth[cell] ?? 0;
    if (direction === 0) {
      if (value > high.value) high = { cell, value };
      if (value < low.value) low = { cell, value };
      if (value > low.value + LEAST_SWING_C) {
        direction = 1;
        if (low.cell > from + SMOOTH_S) push("bottom", low);
        extreme = { cell, value };
      } else if (value < high.value - LEAST_SWING_C) {
        direction = -1;
        if (high.cell > from + SMOOTH_S) push("top", high);
        extreme = { cell, value };
      }
      continue;
    }
    const beyond = (value - extreme.value) * direction;
    if (beyond > -FLAT_C) extreme = { cell, value: beyond > 0 ? value : extreme.value };
    else if (-beyond > LEAST_SWING_C) {
      push(direction > 0 ? "top" : "bottom", extreme);
      direction = -direction;
      extreme = { cell, value };
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

/** Back from where two lines cross to where the curve last stood on the first of them. */
function onset(curve: Curve, left: number, crossing: number): number {
  const to = crossing - LEFT_OUT_S;
  if (to - left < LEAST_LINE_S) return crossing;
  const line = curve.line(left, to);
  let at = Math.round(crossing);
  const earliest = at - SETS_IN_S;
  while (at > earliest && at > to && Math.abs(line.at(at) - curve.mean(at - 1, at + 2)) > DEPARTED_C) at--;
  return at;
}

/** Every lasting turn of the curve from cell `from` on, each placed where it set in. */
export function findTurns(curve: Curve, from: number): Turn[] {
  const smooth = curve.smooth(SMOOTH_S);
  const rough = zigzag(smooth, from);
  const valueAt = (index: number, or: number) => smooth[rough[index]?.cell ?? or] ?? 0;
  return rough.map(({ kind, cell }, index) => {
    const left = edge(smooth, cell, -1, rough[index - 1]?.cell ?? from);
    const right = edge(smooth, cell, 1, rough[index + 1]?.cell ?? curve.length - 1);
    const hinge = fitHinge(curve, left, right, 6);
    const crossing = hinge && hinge.at > left && hinge.at < right ? hinge.at : cell;
    const turned = kind === "bottom" ? onset(curve, left, crossing) : crossing;
    const at = Math.max(0, turned - ON_ITS_WAY_S);
    const value = smooth[cell] ?? 0;
    const swingC = Math.min(
      Math.abs(value - valueAt(index - 1, from)),
      Math.abs(value - valueAt(index + 1, curve.length - 1)),
    );
    const flat =
      kind === "bottom" ? flatFoot(curve, smooth, cell, rough[index - 1]?.cell ?? from) : undefined;
    if (flat && flat.at < at) return { kind, ...flat, after: hinge?.after ?? 0, swingC };
    return {
      kind,
      at,
      coolantC:
        hinge && turned === hinge.at ? hinge.value - ON_ITS_WAY_S * hinge.before : curve.mean(at - 2, at + 3),
      before: hinge?.before ?? 0,
      after: hinge?.after ?? 0,
      swingC,
    };
  });
}
