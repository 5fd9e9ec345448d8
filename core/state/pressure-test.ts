import type { Entry } from "../book/entry/index.ts";
import { factsOf, PressureRead } from "../book/facts/index.ts";
import { type PressureHold, type PressureReading, pressureHold } from "../trade/leaks/index.ts";
import { USUAL_AIR_C } from "../trade/limits/index.ts";
import { engineState } from "./engine.ts";

const MS = 1000;
const LOWEST_KPA = -100;
const HIGHEST_KPA = 400;

/**
 * The readings of the last pressure test of a book, seconds and kPa gauge; none where none was begun. `since`: only what stands
 * at that place of the book and after it.
 */
export function pressureReadings(
  entries: readonly Entry[],
  since = Number.NEGATIVE_INFINITY,
): PressureReading[] {
  const read = factsOf(entries, PressureRead).filter(
    ({ entry: { value, unit, order } }) =>
      order >= since && unit === "kPa" && value !== undefined && value >= LOWEST_KPA && value <= HIGHEST_KPA,
  );
  const from = read.findLastIndex(({ fact }) => fact.begins);
  return read.slice(Math.max(0, from)).map(({ fact: { coolantC }, entry }) => ({
    atS: Date.parse(entry.at) / MS,
    gaugeKPa: entry.value ?? 0,
    ...(coolantC !== undefined && { coolantC }),
  }));
}

/** What a coolant that nobody read beside the gauge stood at as the test began, °C; nothing where nobody knows. */
function stoodAtC(entries: readonly Entry[], atS: number): number | undefined {
  const at = new Date(atS * MS).toISOString();
  const { heat, roomC, readings } = engineState(entries, at, {}, at);
  if (heat === "cold") return roomC ?? USUAL_AIR_C;
  return readings.findLast(({ where }) => where === "engine")?.coolantC;
}

/** How the last pressure test of a book held, judged by what the engine stood at; nothing where none was begun. */
export function pressureHeld(
  entries: readonly Entry[],
  capGaugeKPa: number,
  since?: number,
): PressureHold | undefined {
  const readings = pressureReadings(entries, since);
  const [first] = readings;
  if (!first) return undefined;
  const coolantC = stoodAtC(entries, first.atS);
  return pressureHold(readings, { capGaugeKPa, ...(coolantC === undefined ? {} : { coolantC }) });
}
