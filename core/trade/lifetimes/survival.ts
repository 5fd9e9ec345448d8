import { failures, inOrder, type Life } from "./life.ts";

/** How many of a kind are still in after so many days, with the interval that holds the true share in 95 of 100 cases. */
export interface SurvivalRow {
  days: number;
  atRisk: number;
  share: number;
  low: number;
  high: number;
}

const NORMAL_975 = 1.959_963_984_540_054;

/**
 * The share of parts still in after each length at which one failed, 0 to 1: Kaplan and Meier, those that still hold
 * counted as long as they were seen; 95 % intervals by Greenwood on the scale of log(−log). Once the last has failed the
 * share is nought and that scale ends: the interval is then nought to the upper bound before. A row per failure time, none
 * without failures. Throws `RangeError` on a length outside 0 to 100,000 days. Source: Kalbfleisch and Prentice, 2002.
 */
export function survival(lives: readonly Life[]): SurvivalRow[] {
  let share = 1;
  let greenwood = 0;
  let lastHigh = 1;
  return failures(inOrder(lives)).map(({ days, failed, atRisk }) => {
    if (failed === atRisk) return { days, atRisk, share: 0, low: 0, high: lastHigh };
    share *= 1 - failed / atRisk;
    greenwood += failed / (atRisk * (atRisk - failed));
    const wide = Math.exp((NORMAL_975 * Math.sqrt(greenwood)) / Math.log(share));
    lastHigh = share ** wide;
    return { days, atRisk, share, low: share ** (1 / wide), high: lastHigh };
  });
}
