import { type BreakEven, breakEvens } from "./break-evens.ts";
import { type Compared, compareOptions } from "./compare-options.ts";
import type { Option, Terms } from "./option.ts";

/** All that is said of options side by side. */
export interface WeighedOptions {
  compared: Compared[];
  evens: BreakEven[];
}

/** Compares options and says from which length of job the dearer ones pay. Throws as `compareOptions` does. */
export const weigh = (options: readonly Option[], terms: Terms): WeighedOptions => ({
  compared: compareOptions(options, terms),
  evens: breakEvens(options, terms),
});
