import type { Verdict } from "../../kernel/verdict/index.ts";

/** Where a temperature was read: a value is worth what it was read at. Absent: by the engine's own sensor. */
export const PLACES_READ = ["engine", "radiator", "surface", "unknown"] as const;
export type PlaceRead = (typeof PLACES_READ)[number];

export interface CoolReading {
  atS: number;
  coolantC: number;
  where?: PlaceRead;
}

export interface CoolDown {
  /** `pass` is said of a measured reading alone, never of a forecast. */
  safeNow: Verdict;
  /** When to look again, on the readings' own clock. Absent where they don't tell yet. */
  readyAtS?: { earliest: number; likely: number; latest: number };
  because: string;
}

/**
 * Whether whatever opens a cap or loosens a hose stays shut: but for evidence that it may be opened, it does; so where nothing was seen,
 * and where nobody was asked.
 */
export const isShut = (cap: Pick<CoolDown, "safeNow"> | undefined): boolean => cap?.safeNow !== "pass";
