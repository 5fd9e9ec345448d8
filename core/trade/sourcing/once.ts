import type { Option, Terms } from "./option.ts";

/** What buying and fitting a part once comes to, by what it goes for, in minor units. */
export interface Cost {
  part: number;
  freight: number;
  waiting: number;
  work: number;
}

export const sumOf = ({ part, freight, waiting, work }: Cost): number => part + freight + waiting + work;

/** Orders until the right one has come, on average: each that comes may be wrong again. */
export const ordersFor = ({ wrongPartOdds }: Option): number => 1 / (1 - wrongPartOdds);

/** The mean of a triangular distribution. */
export const meanExtraHours = ({ extraHours: { least, likely, most } }: Option): number =>
  (least + likely + most) / 3;

/** What one fitting comes to when `orders` were sent and it took `extraHours` longer. */
export function onceCost(option: Option, terms: Terms, orders: number, extraHours: number): Cost {
  return {
    part: option.priceCents,
    freight: option.freightCents * orders,
    waiting: option.days * orders * terms.dayOffRoadCents,
    work: (option.fitHours + extraHours) * terms.hourCents,
  };
}
