import { medianOf } from "../../kernel/statistics/index.ts";
import {
  inOrder,
  type Level,
  lossRate,
  missingAfter,
  type Newest,
  newestGone,
  type Rate,
} from "./loss-rate.ts";
import { READING_L } from "./reading-error.ts";

export type Advice = "drive" | "top up and watch" | "don't drive";

export interface Reaches {
  /** ISO dates at which the level meets the minimum; absent where it doesn't within ten years at that rate. */
  earliest?: string;
  likely?: string;
  latest?: string;
  advice: Advice;
  because: string;
}

const MS_PER_DAY = 86_400_000;
const MOST_DAYS = 3650;
/** A level that may be at the minimum before anybody looks again isn't driven on: people come back in days, not hours. */
const DONT_DRIVE_DAYS = 3;
/** Looked at once a week, it has to last longer than a look that was missed. */
const WATCH_DAYS = 30;
/** A leak grows: within the time to the minimum its pace may be half as much again. */
const GROWS = 1.5;
/** Between two looks a growing leak's pace is half-way back: since then it has grown by so much. */
const SINCE_GREW = 1.25;
/** What the newest look may show beside the one before and still be reading: a tenth, and a hair for thirds of litres. */
const FLICKER_L = 0.125;
/** Where no more is left, a tenth that the newest look shows gone may be a leak's first days: a fresh one takes the rest in a week. */
const LITTLE_L = 0.5;
/** Fewer looks have no middle to be held against. */
const LEAST_USUAL = 3;
/** No reading alone is off by so much. */
const SURELY_GONE_L = 0.3;
/** After so long nobody knows what the level is now. */
const STALE_DAYS = 45;
/** So little above the minimum is the minimum, as near as a level is read. */
const AS_NEAR_L = 0.1;
/** What a level is read to, at the edge that leaves out one in ten. */
const LOWER_L = 1.28 * READING_L;

/** How much more is missing now than at the looks since it was last topped up, by their middle one. */
function overUsualL(levels: readonly Level[]): number {
  const from = levels.findLastIndex(
    ({ toppedUpL }, place) => Boolean(toppedUpL) && place < levels.length - 1,
  );
  const since = levels.slice(from + 1, -1).map(({ missingL }) => missingL);
  return since.length < LEAST_USUAL ? 0 : (levels.at(-1)?.missingL ?? 0) - (medianOf(since) ?? 0);
}

/** The pace to be reckoned with: that of all the looks, or that of the newest where it is more. */
function paceOf(perDayL: Rate, newest: Newest | undefined, isKnown: boolean): Rate {
  if (!newest || newest.goneL <= FLICKER_L) return perDayL;
  // A leak that goes on as it went is known by all its looks; it may have grown a little since.
  const isAsBefore = isKnown && newest.goneL - perDayL.high * newest.days <= READING_L / 2;
  if (isAsBefore) return { ...perDayL, high: Math.max(GROWS * perDayL.high, newest.perDayL.likely) };
  return {
    low: perDayL.low,
    likely: Math.max(perDayL.likely, newest.perDayL.low),
    high: Math.max(GROWS * perDayL.high, newest.perDayL.high),
  };
}

/**
 * The most that may be going now. A known leak goes on as the newest look shows it, and may have grown since; where none is
 * known, one may have begun since the look before, however little the newest shows of it.
 */
function fastest({ high }: Rate, newest: Newest | undefined, isKnown: boolean): number {
  if (!newest) return high;
  const asNewest = (SINCE_GREW * (newest.goneL + LOWER_L)) / newest.days;
  return Math.max(high, isKnown ? asNewest : newest.perDayL.high);
}

/**
 * When the level meets the minimum, `minimumL` litres below the line: at the fastest, the likely and the slowest pace, from the
 * last level after topping up; and what to do until then. The newest look counts most: what it shows gone is believed, though
 * all before it were sound; a level is only as good as it was read, and as it is old (`now`, ISO 8601; else as of the last look).
 * Throws `RangeError` on a minimum outside 0.05 to 50 L, on a `now` that is no moment, and where `lossRate` does.
 */
export function reaches(given: readonly Level[], minimumL: number, { now }: { now?: string } = {}): Reaches {
  if (!(minimumL >= 0.05 && minimumL <= 50))
    throw new RangeError(`${minimumL} L below the line is no minimum: 0.05 to 50 L is.`);
  if (now !== undefined && !Number.isFinite(Date.parse(now)))
    throw new RangeError(`“${now}” is no date and time.`);
  const levels = inOrder(given);
  const last = levels.at(-1);
  if (!last) return { advice: "top up and watch", because: "Nobody has looked at its level yet." };
  const lastMs = Date.parse(last.at);
  const roomL = minimumL - missingAfter(last);
  if (roomL <= AS_NEAR_L)
    return {
      earliest: last.at,
      likely: last.at,
      latest: last.at,
      advice: "don't drive",
      because:
        roomL <= 0
          ? "It is at the minimum already: top it up first."
          : "It is at the minimum, as near as a level is read: top it up first.",
    };
  const { perDayL, verdict } = lossRate(levels);
  const ageDays = now === undefined ? 0 : Math.max(0, (Date.parse(now) - lastMs) / MS_PER_DAY);
  if (levels.length < 2 || !Number.isFinite(perDayL.high))
    return { advice: "top up and watch", because: "One look gives no rate: look again in a few days." };
  const newest = newestGone(levels);
  const pace = paceOf(perDayL, newest, verdict === "fail");
  const most = fastest(pace, newest, verdict === "fail");
  const nearL = Math.max(0.01, roomL - LOWER_L);
  const day = (litres: number, perDay: number): string | undefined => {
    const days = litres / perDay;
    return days <= MOST_DAYS ? new Date(lastMs + days * MS_PER_DAY).toISOString() : undefined;
  };
  const dates = Object.fromEntries(
    Object.entries({
      earliest: day(nearL, most),
      likely: day(roomL, pace.likely),
      latest: day(roomL, pace.low),
    }).filter(([, date]) => date !== undefined),
  );
  const left = (litres: number, perDay: number) => litres / perDay - ageDays;
  // As it has gone so far: one that may have begun unseen is the date's to admit.
  const soonest = left(nearL, verdict === "fail" ? most : pace.high);
  const litres = `${roomL.toFixed(1)} L above the minimum`;
  const isGoing = verdict === "fail" || (newest !== undefined && newest.goneL >= SURELY_GONE_L);
  const isSoon =
    isGoing && left(nearL, Math.max(perDayL.likely, newest?.perDayL.likely ?? 0)) <= DONT_DRIVE_DAYS;
  if (isSoon || (isGoing && left(roomL, pace.likely) <= DONT_DRIVE_DAYS))
    return {
      ...dates,
      advice: "don't drive",
      because: `${litres}${ageDays >= 1 ? ` ${Math.round(ageDays)} days ago` : ""}, and that may be gone within ${soonest <= 1 ? "a day" : `${Math.ceil(soonest)} days`}.`,
    };
  if (ageDays > STALE_DAYS)
    return {
      ...dates,
      advice: "top up and watch",
      because: `The last look was ${Math.round(ageDays)} days ago: look again before anybody relies on it.`,
    };
  const flickerL = roomL > LITTLE_L ? FLICKER_L : FLICKER_L / 2;
  const isQuiet = (newest === undefined || newest.goneL <= flickerL) && overUsualL(levels) <= flickerL;
  if (verdict === "pass" && isQuiet)
    return { ...dates, advice: "drive", because: `${litres}, and no loss is seen.` };
  if (!isQuiet || soonest <= WATCH_DAYS || verdict === "fail")
    return {
      ...dates,
      advice: "top up and watch",
      because: `${litres}; as it has gone so far it lasts ${Math.max(0, Math.floor(soonest))} days at least. Look ${soonest <= 7 ? "again in two days" : "every week"}.`,
    };
  return {
    ...dates,
    advice: "drive",
    because: `${litres}, which lasts ${Math.floor(soonest)} days at least as it has gone so far.`,
  };
}
