import type { Heat } from "../../diagnosis/index.ts";
import { isOutcome, testOf } from "../../diagnosis/knowledge/index.ts";
import { factOf, TestOutcome, WarmUpLog } from "../../facts/index.ts";
import { type Entry, standing } from "../../ledger/index.ts";

/** After this long with the engine off nothing scalds any more and cold tests can be done, hours. */
export const COOLS_IN_H = 4;
const HOUR_MS = 3_600_000;
const WARM_C = 50;

/** How the engine stood right after an entry, as far as the entry says. */
function heatBy(entry: Entry): Heat | undefined {
  const said = factOf(entry)?.fact;
  if (said instanceof WarmUpLog) return "hot";
  if (entry.kind === "reading" && entry.unit === "°C")
    return (entry.value ?? 0) >= WARM_C ? "hot" : undefined;
  if (!(said instanceof TestOutcome) || !isOutcome(said.test, said.outcome)) return undefined;
  const { engine, shares } = testOf(said.test);
  if (engine === "cold") return "cold";
  return engine === "heats" && shares ? `warming ${shares}` : engine && "hot";
}

/**
 * How the engine stands now, by the last entry that says: hot for four hours after a hot test, a log or a reading of
 * 50 °C, cold after that or where a cold test was done since. `now` in ISO 8601; without it nothing has cooled.
 */
export function heatOf(entries: readonly Entry[], now?: string): Heat {
  for (const entry of standing(entries).toReversed()) {
    const heat = heatBy(entry);
    if (!heat) continue;
    const hours = now === undefined ? 0 : (Date.parse(now) - Date.parse(entry.at)) / HOUR_MS;
    return hours < COOLS_IN_H ? heat : "cold";
  }
  return "cold";
}
