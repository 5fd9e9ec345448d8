import type { DayTerms } from "./day.ts";

/** Where not everything has room, a minute of work left out weighs as much as three by which a promise is broken: no hands are idle. */
const LEFT_OUT_MINUTE = 30;
/** Each shift by which a job will be late presses its work by as much again: nobody waits for ever behind shorter work. */
const PRESSING_MINUTES = 480;
const MOST_PRESSING = 20;
/** The night by which a job ends later counts for so much of itself: whole, long jobs would be begun, and never finished for short ones. */
const NIGHT_SHARE = 0.3;

/**
 * What it weighs to leave so many minutes of a job out of a day that closes then, with so long a night behind it: its minutes, more the
 * later its job will be, and a part of the night by which it ends later. Minutes from midnight; in the units of `terms`.
 */
export function leftOut(
  minutes: number,
  promisedAt: number | undefined,
  { closes, night }: { closes: number; night: number },
  { lateMinute, openMinute }: DayTerms,
): number {
  if (minutes === 0) return 0;
  const end = closes + night + minutes;
  const isLateBy = (at: number) => (promisedAt === undefined ? 0 : Math.max(0, at - promisedAt));
  const pressing = 1 + Math.min(MOST_PRESSING - 1, isLateBy(end) / PRESSING_MINUTES);
  const later = (isLateBy(end) - isLateBy(closes)) * lateMinute + (end - closes) * openMinute;
  return pressing * minutes * LEFT_OUT_MINUTE + NIGHT_SHARE * later;
}
