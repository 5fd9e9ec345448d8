import type { Entry } from "../../book/entry/index.ts";
import { type CannotBecause, CannotTest, factsOf } from "../../book/facts/index.ts";
import { COOLS_IN_H } from "../../state/index.ts";

export interface Cannot {
  test: string;
  entryId: string;
  because: string;
  why: CannotBecause | undefined;
}

const HOUR_MS = 3_600_000;
/** What there is no time for today there may be time for tomorrow: a working day later. */
const TOMORROW_H = 12;

/** How long a reason holds, hours; what isn't named holds for the job. */
const HOLDS_H: Partial<Record<CannotBecause, number>> = { time: TOMORROW_H, hot: COOLS_IN_H };

/**
 * Tests that somebody said can't be done here, with the entry that says so, as far as it still holds: no tool and not on
 * this car for the job, no time until tomorrow, too hot until it has cooled. `now` in ISO 8601; without it all hold.
 */
export function cannotOf(entries: readonly Entry[], now?: string): Cannot[] {
  return factsOf(entries, CannotTest)
    .map(({ fact, entry }) => ({
      test: fact.test,
      entryId: entry.id,
      because: entry.text ?? "",
      why: fact.why,
      hours: now === undefined ? 0 : (Date.parse(now) - Date.parse(entry.at)) / HOUR_MS,
    }))
    .filter(({ why, hours }) => hours < ((why && HOLDS_H[why]) ?? Number.POSITIVE_INFINITY))
    .map(({ hours: _, ...cannot }) => cannot);
}
