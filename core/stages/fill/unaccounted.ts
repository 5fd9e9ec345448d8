import type { CoolantBalance } from "../../state/index.ts";
import { bleedProgress } from "../../trade/bleed/index.ts";
import type { BleedRun } from "./bleed-run.ts";

/** What coolant that isn't accounted for most likely is. */
export type Unaccounted = "level" | "to pour" | "air" | "lost or in the block" | "was low";

/** Two top-ups of no more than that are a level that holds, litres. */
const HOLDS_L = 0.06;

/**
 * What the difference between out and in most likely is: nothing within what jugs tell; still to pour before a cycle was
 * run; air while the top-ups say that as much may still come; lost, or still in the block, once the level holds; a system
 * that was low before where more went in than came out.
 */
export function unaccountedAs(sums: CoolantBalance, run: BleedRun | undefined): Unaccounted {
  if (sums.withinTolerance) return "level";
  if (sums.unaccountedL < 0) return "was low";
  const cycles = run?.cycles ?? [];
  if (cycles.length === 0) return "to pour";
  const isHolding = cycles.length >= 2 && cycles.slice(-2).every(({ toppedUpL }) => toppedUpL <= HOLDS_L);
  const mayCome = bleedProgress(cycles).stillL.high + sums.toleranceL >= sums.unaccountedL;
  return !isHolding && mayCome ? "air" : "lost or in the block";
}
