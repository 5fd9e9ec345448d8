import { medianOf, timesItsError, trend } from "../../kernel/statistics/index.ts";
import type { Verdict } from "../../kernel/verdict/index.ts";
import { READING_L } from "./reading-error.ts";

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
/** Looks that are no further apart belong to one visit. */
const VISIT_MS = 3_600_000;
/** Poured over the line on purpose, for what a warm-up will swallow. */
const OVER_LINE_L = 0.25;
/** More visits than that say nothing more of how fast it is now. */
const LATEST = 30;
/** A jug is poured from to so many litres, one standard deviation, and what it is off by stays in every later sum. */
const JUG_L = 0.02;
/** Three levels of which one is misread look as steady as three good ones. */
const LEAST_FOR_SOUND = 4;
/** What is read to a tenth each time: so much more gone than was to go is a change of pace. */
const CHANGE_L = 0.25;
const LEAST_FOR_CHANGE = 3;
/** A leak that began between two looks has likely run no shorter than this share of the time. */
const BEGAN_SHARE = 0.3;
const NORMAL_90 = 1.281_551_565_544_6;
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

/** Two looks of one visit: what was found first counts, but for a second reading of what nobody has topped up. */
function asOne(first: Level, second: Level): Level {
  const missingL = first.toppedUpL ? first.missingL : (first.missingL + second.missingL) / 2;
  const toppedUpL = (first.toppedUpL ?? 0) + (second.toppedUpL ?? 0);
  const { toppedUpL: _, ...rest } = first;
  return { ...rest, missingL, ...(toppedUpL > 0 ? { toppedUpL } : {}) };
}

/**
 * The levels in order of time, looks of one visit as one, the latest of them where there are many. Throws `RangeError` on
 * one that can't be.
 */
export function inOrder(levels: readonly Level[]): Level[] {
  for (const level of levels) checkLevel(level);
  const visits: Level[] = [];
  for (const level of [...levels].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))) {
    const last = visits.at(-1);
    if (last && Date.parse(level.at) - Date.parse(last.at) <= VISIT_MS)
      visits[visits.length - 1] = asOne(last, level);
    else visits.push(level);
  }
  return believed(visits.slice(-LATEST));
}

/** What is missing once it was topped up, as it is written. */
export const missingAfter = ({ missingL, toppedUpL = 0 }: Level): number => missingL - toppedUpL;

/**
 * The levels with what was booked wrongly put right: nobody pours far over the line, so that where more was poured than was
 * missing either the level was misread or the jug was. Whichever lies nearer to what the other looks let expect is
 * believed; where none does, the level: somebody stood before it.
 */
function believed(levels: readonly Level[]): Level[] {
  const isDoubtful = ({ missingL, toppedUpL = 0 }: Level) => toppedUpL > Math.max(0, missingL) + OVER_LINE_L;
  const sound: Level[] = [];
  for (const [place, level] of levels.entries()) {
    const before = sound.at(-1);
    if (!isDoubtful(level) || !before) {
      sound.push(isDoubtful(level) ? { ...level, toppedUpL: Math.max(0, level.missingL) } : level);
      continue;
    }
    const paces = levels.slice(1).flatMap((each, index) => {
      const previous = levels[index];
      const isNear = index === place || index === place - 1;
      if (!previous || isNear || isDoubtful(previous) || isDoubtful(each)) return [];
      return [(each.missingL - missingAfter(previous)) / (Date.parse(each.at) - Date.parse(previous.at))];
    });
    const pace = medianOf(paces) ?? 0;
    const expectedL = missingAfter(before) + pace * (Date.parse(level.at) - Date.parse(before.at));
    const { toppedUpL = 0, missingL } = level;
    const isMisread = Math.abs(toppedUpL - expectedL) < Math.abs(missingL - expectedL);
    sound.push(isMisread ? level : { ...level, toppedUpL: Math.max(0, missingL) });
  }
  return sound;
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
    return timesItsError(others(days), others(lost), READING_L) >= SURE;
  });
}

/** The newest look against the one before: what is gone, in how many days. */
export interface Newest {
  goneL: number;
  days: number;
  perDayL: Rate;
}

const inDays = (days: number) => (days < 1.5 ? "a day" : `${Math.round(days)} days`);

/** What went between the last two looks, with its own pace. */
export function newestGone(levels: readonly Level[]): Newest | undefined {
  const [before, last] = levels.slice(-2);
  if (!before || !last) return undefined;
  const days = (Date.parse(last.at) - Date.parse(before.at)) / MS_PER_DAY;
  const goneL = last.missingL - Math.max(-OVER_LINE_L, missingAfter(before));
  const errorL = NORMAL_90 * READING_L;
  return {
    goneL,
    days,
    perDayL: {
      low: Math.max(0, (goneL - errorL) / days),
      likely: Math.max(0, goneL / days),
      // It may have begun any day between the two looks.
      high: Math.max(0, (goneL + errorL) / (BEGAN_SHARE * days)),
    },
  };
}

/** The newest pace, where it is more than all the looks before it allow. */
function newestPace(levels: readonly Level[], found: Rate): Newest | undefined {
  const newest = newestGone(levels);
  if (!newest || levels.length < LEAST_FOR_CHANGE) return undefined;
  const wasToGoL = Math.max(0, found.likely) * newest.days;
  return newest.goneL - wasToGoL >= CHANGE_L ? newest : undefined;
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
  const errors = { readingError: READING_L, wander: JUG_L * Math.sqrt(poured.length) };
  const found = trend(days, lost, errors);
  if (!found)
    return {
      perDayL: NO_RATE,
      verdict: "not-seen",
      because: "One look gives no rate: look again in a few days.",
    };
  const km = distances(levels);
  const byDistance = km && trend(km, lost, errors);
  const perDayL = rateOf(found);
  const rates = { perDayL, ...(byDistance && { per100KmL: rateOf(byDistance) }) };
  const change = newestPace(levels, found);
  const span = (days.at(-1) ?? 0).toFixed(0);
  const seen = `${levels.length} levels over ${span} days`;
  if (levels.length < 3)
    return {
      ...rates,
      verdict: "not-seen",
      because: `${seen}: two can't tell a leak from a level misread. A third look tells.`,
    };
  if (timesItsError(days, lost, READING_L) >= SURE && holdsWithoutAny(days, lost))
    return {
      ...rates,
      verdict: "fail",
      because: `It loses coolant: ${seen} say so, whichever one was misread.`,
    };
  if (change)
    return {
      ...rates,
      // A leak that has begun, or a figure misread: the interval holds both.
      perDayL: {
        low: Math.min(perDayL.low, change.perDayL.low),
        likely: change.perDayL.likely,
        high: Math.max(perDayL.high, change.perDayL.high),
      },
      verdict: "not-seen",
      because: `The newest look shows ${change.goneL.toFixed(1)} L gone in ${inDays(change.days)}, and those before didn't: a leak that has begun, or a level misread. Look again at once.`,
    };
  if (levels.length >= LEAST_FOR_SOUND && found.low <= 0 && perDayL.high <= SOUND_PER_DAY_L)
    return { ...rates, verdict: "pass", because: `${seen}, and no more gone than any sound car loses.` };
  return {
    ...rates,
    verdict: "not-seen",
    because: `${seen} can be read to ${READING_L} L each: too little apart to tell a loss from reading. Look again.`,
  };
}
