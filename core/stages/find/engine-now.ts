import { type Entry, standing } from "../../book/entry/index.ts";
import { factOf, TestOutcome, WarmUpLog } from "../../book/facts/index.ts";
import { COOLS_IN_H } from "../../state/index.ts";
import type { Heat } from "../../trade/diagnosis/index.ts";
import { isOutcome, testOf } from "../../trade/diagnosis/knowledge/index.ts";
import { RAN_LATELY_C } from "../../trade/limits/index.ts";

const HOUR_MS = 3_600_000;

const QUARTER_MS = HOUR_MS / 4;

/** The quarter of an hour that a time in milliseconds is in, ISO 8601: as fine as cooling is told here. */
export const quarterOf = (atMs: number): string =>
  new Date(Math.floor(atMs / QUARTER_MS) * QUARTER_MS).toISOString();

/** How the engine stood right after an entry, as far as the entry says. */
function heatBy(entry: Entry): Heat | undefined {
  const said = factOf(entry)?.fact;
  if (said instanceof WarmUpLog) return "hot";
  if (entry.kind === "reading" && entry.unit === "°C")
    return (entry.value ?? 0) >= RAN_LATELY_C ? "hot" : undefined;
  if (!(said instanceof TestOutcome) || !isOutcome(said.test, said.outcome)) return undefined;
  const { engine, shares } = testOf(said.test);
  if (engine === "cold") return "cold";
  return engine === "heats" && shares ? `warming ${shares}` : engine && "hot";
}

/** The last that the book says of the engine's heat, and how many hours ago that was. */
function lastHeat(
  entries: readonly Entry[],
  now: string | undefined,
): { heat: Heat; hours: number } | undefined {
  for (const entry of standing(entries).toReversed()) {
    const heat = heatBy(entry);
    if (!heat) continue;
    return { heat, hours: now === undefined ? 0 : (Date.parse(now) - Date.parse(entry.at)) / HOUR_MS };
  }
  return undefined;
}

/**
 * How the engine stands now, by the last entry that says: hot for six hours after a hot test, a log or a reading of
 * 50 °C, cold after that or where a cold test was done since. `now` in ISO 8601; without it nothing has cooled.
 */
export function heatOf(entries: readonly Entry[], now?: string): Heat {
  const last = lastHeat(entries, now);
  return last && last.hours < COOLS_IN_H ? last.heat : "cold";
}

/**
 * Hours since the book last saw the engine hot; nothing where that is six hours ago or more, or never was, since a car
 * may have been driven without a word in the book. `now` in ISO 8601.
 */
export function restedHours(entries: readonly Entry[], now: string): number | undefined {
  const last = lastHeat(entries, now);
  return last && last.heat !== "cold" && last.hours >= 0 && last.hours < COOLS_IN_H ? last.hours : undefined;
}
