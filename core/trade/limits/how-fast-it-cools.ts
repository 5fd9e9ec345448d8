/**
 * The fastest that an engine falls that nobody cools down on purpose: a fifth of what it has over the air within minutes,
 * as coolant goes into cold metal, the rest by a constant of 37 minutes. Small engines in the open with their bonnets up
 * reach it; beneath it a sensor tells of something else.
 */
const FASTEST = { quickShare: 0.2, quickS: 200, slowS: 2200 };
/**
 * How fast one cools at most that a pressure tester sits on, °C a minute, bonnet open: its cap was opened, so it has stood, and the
 * quick part of its fall is over.
 */
export const COOLS_ON_TESTER_C = 1.5;
/** The slowest: a large block in a closed bay. */
export const SLOWEST_S = 14_000;
/** The air where nobody read it: a cold workshop's for the fastest fall, a hot bay's for the slowest. */
export const UNREAD_AIR = { cold: 8, hot: 40 };
/** A thermometer on a bench reads the air about a car to so much, °C. */
export const AIR_ERROR_C = 3;

/**
 * What the coolant has come down to at the very least, °C, so many seconds after it stood at `fromC`, in air of `ambientC`. Of two
 * readings of one moment nothing can be told: then it is the air, or what it stood at where that is less.
 */
export function fastestC(fromC: number, afterS: number, ambientC: number | undefined): number {
  const airC = ambientC === undefined ? UNREAD_AIR.cold : ambientC - AIR_ERROR_C;
  if (fromC <= airC || afterS <= 0) return Math.min(fromC, airC);
  const { quickShare, quickS, slowS } = FASTEST;
  const left = quickShare * Math.exp(-afterS / quickS) + (1 - quickShare) * Math.exp(-afterS / slowS);
  return airC + (fromC - airC) * left;
}
