import type { Entry } from "../../book/entry/index.ts";
import { factsOf, Task } from "../../book/facts/index.ts";
import { partsState } from "../../book/parts/index.ts";
import { type PartLife, partLives } from "./part-lives.ts";

/** How something that was bought has really done in this shop. */
export interface Doings {
  fitted: number;
  /** Sent back out of its box. */
  returned: number;
  /** Gone again, and how long those lasted, the middle one, days. */
  failed: number;
  lastedDays?: number;
  /** Still in a car. */
  inUse: number;
  /** Minutes more that a fitted one took to make it fit, on average. */
  extraMinutes: number;
}

const DAY_MS = 86_400_000;
const keyOf = (each: { item: string; grade: string; supplier: string }) =>
  [each.item, each.grade, each.supplier].map((part) => part.trim().toLowerCase()).join("|");

function middle(values: number[]): number | undefined {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length / 2;
  if (sorted.length === 0) return undefined;
  return sorted.length % 2 ? sorted[Math.floor(half)] : ((sorted[half - 1] ?? 0) + (sorted[half] ?? 0)) / 2;
}

/**
 * What the books of a shop say of each part by item, grade and supplier: fitted, returned, failed, still in use. The
 * books by vehicle, each vehicle's oldest first. The key is of `doingsKey`.
 */
export function doingsOf(
  vehicles: readonly (readonly { jobId: string; entries: readonly Entry[] }[])[],
): Map<string, Doings> {
  const all = new Map<string, Doings & { lasted: number[]; minutes: number }>();
  const at = (each: { item: string; grade: string; supplier: string }) => {
    const key = keyOf(each);
    const found = all.get(key) ?? {
      fitted: 0,
      returned: 0,
      failed: 0,
      inUse: 0,
      extraMinutes: 0,
      lasted: [],
      minutes: 0,
    };
    all.set(key, found);
    return found;
  };
  for (const books of vehicles) {
    const byJob = new Map(books.map(({ jobId, entries }) => [jobId, entries]));
    for (const { entries } of books)
      for (const part of partsState(entries)) if (part.refused) at(part).returned++;
    for (const life of partLives(books) as PartLife[]) {
      const doings = at(life);
      doings.fitted++;
      if (life.isChanged) continue;
      if (life.to) {
        doings.failed++;
        doings.lasted.push((Date.parse(life.to) - Date.parse(life.from)) / DAY_MS);
      } else doings.inUse++;
      doings.minutes += factsOf(byJob.get(life.jobId) ?? [], Task).reduce(
        (sum, { fact }) => sum + fact.minutes,
        0,
      );
    }
  }
  return new Map(
    [...all].map(([key, { lasted, minutes, ...doings }]) => {
      const lastedDays = middle(lasted);
      return [
        key,
        {
          ...doings,
          ...(lastedDays === undefined ? {} : { lastedDays: Math.round(lastedDays) }),
          extraMinutes: doings.fitted > 0 ? Math.round(minutes / doings.fitted) : 0,
        },
      ];
    }),
  );
}

export const doingsKey = keyOf;
