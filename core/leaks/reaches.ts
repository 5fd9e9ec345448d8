import { inOrder, type Level, lossRate } from "./loss-rate.ts";

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

/**
 * When the level meets the minimum, `minimumL` litres below the line: at the fastest, the likely and the slowest rate
 * `lossRate` gives, from the last level after topping up; and what to do until then. Throws `RangeError` on a minimum
 * outside 0.05 to 50 L, and where `lossRate` does.
 */
export function reaches(given: readonly Level[], minimumL: number): Reaches {
  if (!(minimumL >= 0.05 && minimumL <= 50))
    throw new RangeError(`${minimumL} L below the line is no minimum: 0.05 to 50 L is.`);
  const levels = inOrder(given);
  const last = levels.at(-1);
  if (!last) return { advice: "top up and watch", because: "Nobody has looked at its level yet." };
  const roomL = minimumL - (last.missingL - (last.toppedUpL ?? 0));
  if (roomL <= 0)
    return {
      earliest: last.at,
      likely: last.at,
      latest: last.at,
      advice: "don't drive",
      because: "It is at the minimum already: top it up first.",
    };
  const { perDayL, verdict } = lossRate(levels);
  const day = (perDay: number): string | undefined => {
    const days = roomL / perDay;
    return days <= MOST_DAYS ? new Date(Date.parse(last.at) + days * MS_PER_DAY).toISOString() : undefined;
  };
  if (levels.length < 2 || !Number.isFinite(perDayL.high))
    return { advice: "top up and watch", because: "One look gives no rate: look again in a few days." };
  const dates = Object.fromEntries(
    Object.entries({
      earliest: day(perDayL.high),
      likely: day(perDayL.likely),
      latest: day(perDayL.low),
    }).filter(([, date]) => date !== undefined),
  );
  const soonest = roomL / perDayL.high;
  const litres = `${roomL.toFixed(1)} L above the minimum`;
  const isSoon = soonest <= DONT_DRIVE_DAYS && verdict === "fail";
  // Two looks prove no leak, but a level that fell so far in a day is believed until somebody looks again.
  if (isSoon || (verdict !== "pass" && roomL / perDayL.likely <= DONT_DRIVE_DAYS))
    return {
      ...dates,
      advice: "don't drive",
      because: `${litres}, and that may be gone within ${Math.ceil(soonest) <= 1 ? "a day" : `${Math.ceil(soonest)} days`}.`,
    };
  if (verdict === "pass") return { ...dates, advice: "drive", because: `${litres}, and no loss is seen.` };
  if (soonest <= WATCH_DAYS || verdict === "fail")
    return {
      ...dates,
      advice: "top up and watch",
      because: `${litres}; at the fastest that it may be losing it lasts ${Math.floor(soonest)} days. Look every week.`,
    };
  return {
    ...dates,
    advice: "drive",
    because: `${litres}, which lasts ${Math.floor(soonest)} days at the fastest that it may be losing.`,
  };
}
