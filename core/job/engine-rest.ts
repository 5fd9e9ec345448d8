import { factOf, WarmUpLog } from "../facts/index.ts";
import { type Entry, standing } from "../ledger/index.ts";

/** Coolant read at or above this had an engine running behind it within the hour. */
const WARM_C = 50;
const HOUR_MS = 3_600_000;
/** After this long nobody can say from the book alone what else the engine did. */
const KNOWN_FOR_H = 6;

const ranAt = (entry: Entry): boolean =>
  factOf(entry)?.fact instanceof WarmUpLog ||
  (entry.kind === "reading" && entry.unit === "°C" && (entry.value ?? 0) >= WARM_C);

/**
 * Hours since the book last saw the engine hot, a log or a reading of 50 °C and more; nothing where that is 6 h ago or
 * never was, since a car may have been driven without a word in the book. `now` in ISO 8601.
 */
export function restedHours(entries: readonly Entry[], now: string): number | undefined {
  const last = standing(entries).findLast(ranAt);
  if (!last) return undefined;
  const hours = (Date.parse(now) - Date.parse(last.at)) / HOUR_MS;
  return hours >= 0 && hours < KNOWN_FOR_H ? hours : undefined;
}
