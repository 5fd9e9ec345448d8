import { lifeHere, type PartSpan } from "./lives.ts";

const MONTH_DAYS = 30.4;

/** Where the odds of a grade come from: this shop's own cars, or what is usual. */
export function lastsWords(spans: readonly PartSpan[], part: string, grade: string): string {
  const here = lifeHere(spans, part, grade);
  const name = grade.charAt(0).toUpperCase() + grade.slice(1);
  return here
    ? `${name}: ${here.gone} of ${here.of} have gone in this shop's cars, half of them by ${Math.round(here.life.medianDays / MONTH_DAYS)} months.`
    : `${name}: too few here to say; what is usual is reckoned with.`;
}
