import { factsOf, PressureRead } from "../facts/index.ts";
import { type PressureReading } from "../leaks/index.ts";
import type { Entry } from "../ledger/index.ts";

const MS = 1000;
const LOWEST_KPA = -100;
const HIGHEST_KPA = 400;

/** The readings of the last pressure test of a book, seconds and kPa gauge; none where none was begun. */
export function pressureReadings(entries: readonly Entry[]): PressureReading[] {
  const read = factsOf(entries, PressureRead).filter(
    ({ entry: { value, unit } }) =>
      unit === "kPa" && value !== undefined && value >= LOWEST_KPA && value <= HIGHEST_KPA,
  );
  const from = read.findLastIndex(({ fact }) => fact.begins);
  return read.slice(Math.max(0, from)).map(({ fact: { coolantC }, entry }) => ({
    atS: Date.parse(entry.at) / MS,
    gaugeKPa: entry.value ?? 0,
    ...(coolantC !== undefined && { coolantC }),
  }));
}
