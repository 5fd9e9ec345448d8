import type { Level } from "./loss-rate.ts";

/** A level as it stands in the books. */
export interface SeenLevel extends Level {
  heat: "cold" | "hot";
  isStruck: boolean;
  /** Taken before coolant was last poured at a job that is signed: another line. */
  isBefore: boolean;
}

/**
 * The levels that a rate is told by: cold ones that stand, since it was last filled. Hot coolant stands a quarter of a
 * litre and more higher, by an amount that nobody read.
 */
export const countedLevels = <Seen extends SeenLevel>(levels: readonly Seen[]): Seen[] =>
  levels.filter(({ heat, isStruck, isBefore }) => heat === "cold" && !isStruck && !isBefore);
