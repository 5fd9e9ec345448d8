import { medianOfSorted } from "./median.ts";

/** A slope with the interval that holds the true one in four cases of five. */
export interface Trend {
  low: number;
  likely: number;
  high: number;
}

/** Half of what is left out on either side of an interval that holds four in five. */
const TAIL = 0.1;
/** Student's t at 90 % with two degrees of freedom: two or three readings know no more of their own scatter. */
const FEW_TIMES = 1.886;
/** How much of a random walk's last step the slope through it takes: the root of 6/5, for even steps. */
const WANDER_SHARE = Math.sqrt(6 / 5);
/** However well readings agree, each was rounded to a mark. */
const LEAST_TIMES = 0.35;

/** The chance that at most so many of all pairs are out of order, when the order is mere chance: Kendall's distribution. */
function chanceOfInversions(readings: number): number[] {
  let chances = [1];
  for (let size = 2; size <= readings; size++) {
    const next = new Array<number>(chances.length + size - 1).fill(0);
    for (const [inversions, chance] of chances.entries())
      for (let more = 0; more < size; more++)
        next[inversions + more] = (next[inversions + more] ?? 0) + chance / size;
    chances = next;
  }
  let sum = 0;
  return chances.map((chance) => {
    sum += chance;
    return sum;
  });
}

/** Up to so many readings the distribution is counted out; above, it is a bell. */
const COUNTED = 30;
const NORMAL_90 = 1.281_551_565_544_6;

const tails = new Map<number, number>();

/** Between which two of the sorted slopes the tail ends, counted from nought, as a broken number; below nought beyond all. */
function tailAt(readings: number): number {
  if (readings > COUNTED) {
    const pairs = (readings * (readings - 1)) / 2;
    return pairs / 2 - 1 - NORMAL_90 * Math.sqrt((pairs * (2 * readings + 5)) / 36);
  }
  const kept = tails.get(readings);
  if (kept !== undefined) return kept;
  const upTo = chanceOfInversions(readings);
  const after = upTo.findIndex((chance) => chance > TAIL);
  const below = after > 0 ? (upTo[after - 1] ?? 0) : 0;
  const place = after + (TAIL - below) / ((upTo[after] ?? 1) - below) - 1;
  tails.set(readings, place);
  return place;
}

function at(sorted: Float64Array, place: number): number {
  const floor = Math.max(0, Math.min(sorted.length - 1, Math.floor(place)));
  const next = Math.min(sorted.length - 1, floor + 1);
  const share = Math.min(1, Math.max(0, place - floor));
  return (sorted[floor] ?? 0) * (1 - share) + (sorted[next] ?? 0) * share;
}

interface Slopes {
  sorted: Float64Array;
  likely: number;
  /** One standard error of a slope through these `x`, by how well one `y` is read. */
  error: number;
}

function slopesOf(x: readonly number[], y: readonly number[], readingError: number): Slopes | undefined {
  const slopes: number[] = [];
  for (let to = 1; to < x.length; to++)
    for (let from = 0; from < to; from++) {
      const apart = (x[to] ?? 0) - (x[from] ?? 0);
      if (apart > 0) slopes.push(((y[to] ?? 0) - (y[from] ?? 0)) / apart);
    }
  if (slopes.length === 0) return undefined;
  const sorted = Float64Array.from(slopes).sort();
  const mean = x.reduce((sum, each) => sum + each, 0) / x.length;
  const error = readingError / Math.sqrt(x.reduce((sum, each) => sum + (each - mean) ** 2, 0));
  return { sorted, likely: medianOfSorted(sorted), error };
}

/**
 * How many times its own standard error the slope of `y` over `x` is, each `y` read with one standard deviation of
 * `readingError`; nought where fewer than two `x` differ.
 */
export function timesItsError(x: readonly number[], y: readonly number[], readingError: number): number {
  const slopes = slopesOf(x, y, readingError);
  return slopes ? slopes.likely / slopes.error : 0;
}

/**
 * The slope of `y` over `x`: the median of the slopes of all pairs (Theil 1950, Sen 1968), which one reading in four may lie
 * about; its interval from the distribution of Kendall's tau, read between whole pairs; with three readings or fewer, from
 * `readingError`, one standard deviation of how one `y` is read. `wander` is by how much `y` may have strayed in all through
 * errors that stay in it (one standard deviation). Nothing where fewer than two `x` differ.
 */
export function trend(
  x: readonly number[],
  y: readonly number[],
  { readingError, wander = 0 }: { readingError: number; wander?: number },
): Trend | undefined {
  const slopes = slopesOf(x, y, readingError);
  if (!slopes) return undefined;
  const { sorted, likely, error } = slopes;
  const place = tailAt(x.length);
  const few = x.length < 4 ? FEW_TIMES * error : LEAST_TIMES * error;
  const isRanked = x.length >= 4;
  const share = sorted.length / ((x.length * (x.length - 1)) / 2);
  const low = isRanked ? at(sorted, place * share) : likely;
  const high = isRanked ? at(sorted, sorted.length - 1 - place * share) : likely;
  const strayed = (NORMAL_90 * WANDER_SHARE * wander) / ((x.at(-1) ?? 0) - (x[0] ?? 0));
  return {
    low: likely - Math.hypot(Math.max(likely - low, few), strayed),
    likely,
    high: likely + Math.hypot(Math.max(high - likely, few), strayed),
  };
}
