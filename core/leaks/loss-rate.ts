import type { Verdict } from "../judgement/index.ts";
import { READING_L, timesItsError, trend } from "./trend.ts";

/** The level of a vehicle as it was found at one visit, and what was done about it. */
export interface Level {
  /** ISO date-time. */
  at: string;
  /** Litres below the line, before anything was topped up; below nought above the line. */
  missingL: number;
  /** Litres topped up at this visit, after it was read. */
  toppedUpL?: number;
  distanceKm?: number;
}

/** Litres, with the interval that holds the true rate in four cases of five. */
export interface Rate {
  low: number;
  likely: number;
  high: number;
}

export interface LossRate {
  perDayL: Rate;
  /** Absent where the distance isn't known at each visit, or went down. */
  per100KmL?: Rate;
  /** `fail`: it loses coolant, whichever one level was misread. `pass`: it doesn't, or less than any tank shows. */
  verdict: Verdict;
  because: string;
}

const MS_PER_DAY = 86_400_000;
/** More visits than that say nothing more of how fast it is now. */
const LATEST = 30;
/** A jug is poured from to so many litres, one standard deviation, and what it is off by stays in every later sum. */
const JUG_L = 0.02;
/** Three levels of which one is misread look as steady as three good ones. */
const LEAST_FOR_SOUND = 4;
/** A slope so many times its own error is no accident of reading. */
const SURE = 3;
/** What evaporates through hoses and cap of a sound car: 0.15 L in a month and less is not called a loss. */
const SOUND_PER_DAY_L = 0.005;

function checkLevel({ at, missingL, toppedUpL, distanceKm }: Level): void {
  if (!Number.isFinite(Date.parse(at))) throw new RangeError(`“${at}” is no date and time.`);
  if (!(missingL >= -10 && missingL <= 100))
    throw new RangeError(`${missingL} L is no level below the line: −10 to 100 L is.`);
  if (toppedUpL !== undefined && !(toppedUpL >= 0 && toppedUpL <= 100))
    throw new RangeError(`${toppedUpL} L is no topping up: 0 to 100 L is.`);
  if (distanceKm !== undefined && !(distanceKm >= 0 && distanceKm <= 5_000_000))
    throw new RangeError(`${distanceKm} km is no distance: 0 to 5,000,000 km is.`);
}

/** The levels in order of time, the latest of them where there are many. Throws `RangeError` on one that can't be. */
export function inOrder(levels: readonly Level[]): Level[] {
  for (const level of levels) checkLevel(level);
  return [...levels].sort((a, b) => Date.parse(a.at) - Date.parse(b.at)).slice(-LATEST);
}

/** What has been lost since the first visit: what is missing, and all that was topped up before. */
function lostSinceFirst(levels: readonly Level[]): number[] {
  let toppedUp = 0;
  return levels.map((level) => {
    const lost = level.missingL + toppedUp;
    toppedUp += level.toppedUpL ?? 0;
    return lost;
  });
}

const rateOf = ({ low, likely, high }: Rate): Rate => ({
  low: Math.max(0, low),
  likely: Math.max(0, likely),
  high: Math.max(0, high),
});

/** Distances that can be told by: known at each visit, never less than before, and not all the same. */
function distances(levels: readonly Level[]): number[] | undefined {
  const known = levels.map(({ distanceKm }) => distanceKm);
  const isSound = known.every((each, place) => each !== undefined && each >= (known[place - 1] ?? 0));
  return isSound ? known.map((each) => (each ?? 0) / 100) : undefined;
}

/** Whether it is losing with any one level left out: one misread level makes no leak. */
function holdsWithoutAny(days: readonly number[], lost: readonly number[]): boolean {
  return days.every((_, out) => {
    const others = (figures: readonly number[]) => figures.filter((_, place) => place !== out);
    return timesItsError(others(days), others(lost)) >= SURE;
  });
}

const NO_RATE: Rate = { low: 0, likely: 0, high: Number.POSITIVE_INFINITY };

/**
 * How fast coolant is lost, litres a day and per 100 km, each with an interval that holds the true rate in four cases of
 * five: by the median of all pairs' slopes, so that a misread level moves it little. Never below nought: a car makes no
 * coolant. One level, or several of one moment, give no rate: nought to no limit. Throws `RangeError` on a date that is
 * none, a level outside −10 to 100 L, a topping up outside 0 to 100 L, a distance outside 0 to 5 million km. Source: Sen,
 * "Estimates of the regression coefficient based on Kendall's tau", 1968.
 */
export function lossRate(given: readonly Level[]): LossRate {
  const levels = inOrder(given);
  const lost = lostSinceFirst(levels);
  const first = Date.parse(levels[0]?.at ?? "");
  const days = levels.map(({ at }) => (Date.parse(at) - first) / MS_PER_DAY);
  const poured = levels.slice(0, -1).filter(({ toppedUpL }) => toppedUpL);
  const wanderL = JUG_L * Math.sqrt(poured.length);
  const found = trend(days, lost, wanderL);
  if (!found)
    return {
      perDayL: NO_RATE,
      verdict: "not-seen",
      because: "One look gives no rate: look again in a few days.",
    };
  const km = distances(levels);
  const byDistance = km && trend(km, lost, wanderL);
  const perDayL = rateOf(found);
  const rates = { perDayL, ...(byDistance && { per100KmL: rateOf(byDistance) }) };
  const span = (days.at(-1) ?? 0).toFixed(0);
  const seen = `${levels.length} levels over ${span} days`;
  if (levels.length < 3)
    return {
      ...rates,
      verdict: "not-seen",
      because: `${seen}: two can't tell a leak from a level misread. A third look tells.`,
    };
  if (timesItsError(days, lost) >= SURE && holdsWithoutAny(days, lost))
    return {
      ...rates,
      verdict: "fail",
      because: `It loses coolant: ${seen} say so, whichever one was misread.`,
    };
  if (levels.length >= LEAST_FOR_SOUND && found.low <= 0 && perDayL.high <= SOUND_PER_DAY_L)
    return { ...rates, verdict: "pass", because: `${seen}, and no more gone than any sound car loses.` };
  return {
    ...rates,
    verdict: "not-seen",
    because: `${seen} can be read to ${READING_L} L each: too little apart to tell a loss from reading. Look again.`,
  };
}
