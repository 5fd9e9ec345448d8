import { CAP_OPENS_C, SENSOR_ERROR_C } from "../limits/index.ts";
import type { CoolReading } from "./cool-reading.ts";

/** As many say as much of a cool-down as all of them. */
const MOST_READINGS = 12;
const AROUND_S = 5;
/** With its sensor's error: above it no cap is called safe. */
const OPENS_AT_C = CAP_OPENS_C + SENSOR_ERROR_C;
const HOTTEST_C = 200;

/**
 * A log of an engine that cools, as readings: at most twelve, evenly apart, each the mean of ten seconds around it. `endedAtS` is
 * when its last row was written, seconds by the clock; rows from before `sinceS`, when the engine still ran, are left out, and so are
 * those of an open or shorted sensor. Readings at or below `aboveC` are left out: a log carries no word of which cool-down it is
 * of, so that it says when to look again and never that a cap may be opened; that takes a reading taken there and then.
 */
export function readingsOf(
  log: { s: ArrayLike<number>; coolantC: ArrayLike<number> },
  { endedAtS, sinceS, aboveC = OPENS_AT_C }: { endedAtS: number; sinceS: number; aboveC?: number },
): CoolReading[] {
  const length = Math.min(log.s.length, log.coolantC.length);
  const lastS = log.s[length - 1];
  if (lastS === undefined) return [];
  const rows: CoolReading[] = [];
  for (let index = 0; index < length; index++) {
    const atS = endedAtS - (lastS - (log.s[index] ?? 0));
    const coolantC = log.coolantC[index] ?? Number.NaN;
    if (atS >= sinceS && coolantC > aboveC && coolantC < HOTTEST_C) rows.push({ atS, coolantC });
  }
  const [first, last] = [rows[0], rows.at(-1)];
  if (!first || !last) return [];
  const apartS = (last.atS - first.atS) / (MOST_READINGS - 1);
  const count = apartS > 0 ? MOST_READINGS : 1;
  const readings: CoolReading[] = [];
  for (let place = 0; place < count; place++) {
    const atS = count === 1 ? last.atS : first.atS + place * apartS;
    const near = rows.filter((row) => Math.abs(row.atS - atS) <= AROUND_S);
    if (near.length === 0) continue;
    const mean = near.reduce((sum, row) => sum + row.coolantC, 0) / near.length;
    readings.push({ atS, coolantC: Math.round(mean * 10) / 10 });
  }
  return readings;
}
