import { type Base, checkBase, within } from "./base.ts";
import { TABLE } from "./table.ts";

/** As far as the table is read; above it a mix freezes sooner again. */
export const STRONGEST = 0.6;

interface Knot {
  x: number;
  y: number;
  slope: number;
}

/** Slopes at the knots of a monotone cubic: Fritsch and Carlson, 1980, with the harmonic mean of the neighbours. */
function knotsOf(points: readonly (readonly [number, number])[]): Knot[] {
  const steps = points.slice(1).map(([x, y], place) => {
    const [fromX, fromY] = points[place] as readonly [number, number];
    return { width: x - fromX, rise: (y - fromY) / (x - fromX) };
  });
  return points.map(([x, y], place) => {
    const before = steps[place - 1];
    const after = steps[place];
    if (!before || !after) return { x, y, slope: (before ?? after)?.rise ?? 0 };
    if (before.rise * after.rise <= 0) return { x, y, slope: 0 };
    const near = 2 * after.width + before.width;
    const far = after.width + 2 * before.width;
    return { x, y, slope: (near + far) / (near / before.rise + far / after.rise) };
  });
}

function valueAt(knots: readonly Knot[], x: number): number {
  const place = knots.findIndex((knot) => knot.x >= x);
  const last = knots.at(-1) as Knot;
  if (place < 0) return last.y + last.slope * (x - last.x);
  const to = knots[place] as Knot;
  const from = knots[place - 1];
  if (!from) return to.y;
  const width = to.x - from.x;
  const t = (x - from.x) / width;
  return (
    from.y * (1 + 2 * t) * (1 - t) ** 2 +
    width * from.slope * t * (1 - t) ** 2 +
    to.y * t * t * (3 - 2 * t) +
    width * to.slope * t * t * (t - 1)
  );
}

const FREEZE: Record<Base, Knot[]> = {
  ethylene: knotsOf(TABLE.ethylene.map(([fraction, freezeC]) => [fraction, freezeC])),
  propylene: knotsOf(TABLE.propylene.map(([fraction, freezeC]) => [fraction, freezeC])),
};

/**
 * Where a mix of glycol and water begins to freeze, °C, by the share of glycol by volume, 0 to 0.60: the table of ASHRAE
 * Fundamentals, monotone between its rows and straight on beyond ethylene's last (0.578). Throws `RangeError` outside.
 */
export function freezePointC(base: Base, fraction: number): number {
  checkBase(base);
  return valueAt(FREEZE[base], within(fraction, 0, STRONGEST, "share of glycol to freeze by"));
}

/**
 * The share of glycol by volume, 0 to 0.60, of a mix that begins to freeze at so many °C; the inverse of `freezePointC`,
 * found by halving to 1e-12. Throws `RangeError` above 0 °C or below what 0.60 freezes at.
 */
export function fractionFromFreezePoint(base: Base, freezeC: number): number {
  const lowest = freezePointC(base, STRONGEST);
  within(freezeC, lowest, 0, "freezing point in °C");
  let low = 0;
  let high = STRONGEST;
  for (let halving = 0; halving < 40; halving++) {
    const middle = (low + high) / 2;
    if (freezePointC(base, middle) > freezeC) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const PURE_ETHYLENE_FREEZES_C = -12.9;

/**
 * The same for any share up to 1, never colder than the truth: beyond 0.60 on a straight line to pure ethylene glycol's
 * own −12.9 °C, above the real curve all the way; propylene glycol gets no colder than at 0.60.
 */
export function safeFreezeC(base: Base, fraction: number): number {
  if (fraction <= STRONGEST) return freezePointC(base, fraction);
  const lowest = freezePointC(base, STRONGEST);
  if (base === "propylene") return lowest;
  return lowest + ((PURE_ETHYLENE_FREEZES_C - lowest) * (fraction - STRONGEST)) / (1 - STRONGEST);
}
