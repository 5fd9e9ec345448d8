import { checkOption, checkTerms, type Option, type Terms } from "./option.ts";
import { overHorizon, wholeOf } from "./over-horizon.ts";

/** What an option comes to as a line over the hours of the job: cents at none, cents an hour. */
function lineOf(option: Option, terms: Terms): { fixed: number; perHour: number } {
  const at = (fitHours: number) => wholeOf(overHorizon({ ...option, fitHours }, terms));
  const fixed = at(0);
  return { fixed, perHour: at(1) - fixed };
}

/** Rounding of the two figures above, in cents an hour. */
const ALIKE = 1e-6;

/**
 * The length of job, in hours, from which the dearer of two parts (by its price) is the cheaper choice, whatever
 * `fitHours` they carry: each hour is done again as often as the part fails outside its guarantee. 0 where it always is;
 * null where it never comes to that, or only for short jobs. Throws `RangeError` as `compareOptions` does.
 */
export function breakEvenHours(a: Option, b: Option, terms: Terms): number | null {
  checkTerms(terms);
  checkOption(a);
  checkOption(b);
  const [dear, cheap] = a.priceCents >= b.priceCents ? [a, b] : [b, a];
  const [dearer, cheaper] = [lineOf(dear, terms), lineOf(cheap, terms)];
  const slower = cheaper.perHour - dearer.perHour;
  const ahead = dearer.fixed - cheaper.fixed;
  if (slower < -ALIKE) return null;
  if (slower <= ALIKE) return ahead <= 0 ? 0 : null;
  return Math.max(0, ahead / slower);
}
