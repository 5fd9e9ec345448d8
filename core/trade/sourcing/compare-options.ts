import { drawCosts, quantile } from "./draw-costs.ts";
import { failedBy } from "./life.ts";
import { ordersFor } from "./once.ts";
import { checkOption, checkTerms, type Option, type Terms } from "./option.ts";
import { type OverHorizon, overHorizon, wholeOf } from "./over-horizon.ts";

export interface Compared {
  id: string;
  /** On average over the time that is answered for, in minor units. */
  expectedCents: number;
  /** One in ten comes to less than the first, one in ten to more than the second. */
  p10Cents: number;
  p90Cents: number;
  /** Odds of a failure within the horizon, 0 to 1. */
  oddsTwice: number;
  /** Days off the road over the horizon, on average. */
  daysOff: number;
  because: string;
  /** The average by what it goes for, in minor units. */
  goesFor: GoesFor;
}

export type GoesFor = Record<"part" | "freight" | "waiting" | "work" | "again", number>;

const NAMES: Record<keyof GoesFor, string> = {
  part: "the price of the part",
  freight: "freight",
  waiting: "days off the road",
  work: "hours of work",
  again: "doing it again",
};

const goesForOf = ({ first, again }: OverHorizon): GoesFor => ({ ...first, again });

/** What tells two options apart most, and which way. */
function decides(own: GoesFor, other: GoesFor, isCheaper: boolean): keyof GoesFor {
  const sign = isCheaper ? -1 : 1;
  const names = Object.keys(NAMES) as (keyof GoesFor)[];
  const apart = (name: keyof GoesFor) => sign * (own[name] - other[name]);
  return names.reduce((most, name) => (apart(name) > apart(most) ? name : most));
}

const twiceWords = (odds: number) => {
  const hundred = odds * 100;
  if (hundred < 0.5) return "Hardly ever done twice";
  return `${hundred < 10 ? Number(hundred.toPrecision(2)) : Math.round(hundred)} in 100 are done twice`;
};

/**
 * Options for a part side by side, cheapest on average first: price, freight, waiting, hours, extra hours for a poor
 * fit, wrong parts sent back, and every failure within the time that is answered for, less what the supplier guarantees.
 * Money in minor units, exact where nothing is left to chance; the spread by `draws` draws from `seed`. Extra hours are
 * triangular between their least and most, lives Weibull. Throws `RangeError` on figures outside `Option`'s and
 * `Terms`' ranges, on no option at all, and on two of the same id.
 */
export function compareOptions(options: readonly Option[], terms: Terms): Compared[] {
  checkTerms(terms);
  options.forEach(checkOption);
  if (options.length === 0) throw new RangeError("Nothing to compare: give at least one option.");
  if (new Set(options.map(({ id }) => id)).size < options.length)
    throw new RangeError("Two options have the same id.");
  const weighed = options
    .map((option) => ({ option, over: overHorizon(option, terms) }))
    .sort((a, b) => wholeOf(a.over) - wholeOf(b.over));
  return weighed.map(({ option, over }, index) => {
    const costs = drawCosts(option, terms);
    const oddsTwice = failedBy(terms.horizonDays, option.life);
    const other = weighed[index === 0 ? 1 : 0];
    const goesFor = goesForOf(over);
    const reason = other && NAMES[decides(goesFor, goesForOf(other.over), index === 0)];
    const place = index === 0 ? "Cheapest here" : "Dearer than the cheapest";
    return {
      id: option.id,
      expectedCents: Math.round(wholeOf(over)),
      p10Cents: Math.round(quantile(costs, 0.1)),
      p90Cents: Math.round(quantile(costs, 0.9)),
      oddsTwice,
      daysOff: option.days * ordersFor(option) * (1 + over.failures),
      because: `${reason ? `${place}, most of all by ${reason}` : "The only one"}. ${twiceWords(oddsTwice)}.`,
      goesFor,
    };
  });
}
