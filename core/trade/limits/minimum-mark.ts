/** In a usual tank the minimum lies so far below the line: that share of what the system holds, and no less than half a litre. */
const USUAL_SHARE = 0.08;
const USUAL_LEAST_L = 0.5;

/** How far the minimum mark lies below the line of a tank that nobody has measured, litres, to a tenth. */
export const usualMinimumL = (capacityL: number): number =>
  Math.max(USUAL_LEAST_L, Math.round(capacityL * USUAL_SHARE * 10) / 10);
