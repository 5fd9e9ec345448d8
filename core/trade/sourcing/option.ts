import type { Grade } from "./grade.ts";

/** A part that could be bought for a job, as it is offered. Money in minor units. */
export interface Option {
  id: string;
  grade: Grade;
  supplier: string;
  priceCents: number;
  freightCents: number;
  /** From ordering to having it in hand. */
  days: number;
  fitHours: number;
  /** What it takes longer because it doesn't quite fit. */
  extraHours: { least: number; likely: number; most: number };
  /** How often the wrong one comes, 0 to 0.9: seen out of its box, sent back and ordered again. */
  wrongPartOdds: number;
  /** Weibull: half have failed by `medianDays`; a shape over 1 wears out, under 1 fails young. */
  life: { medianDays: number; shape: number };
  /** For so long the supplier pays the next part, and the work of fitting it. */
  guarantee: { partDays: number; labourDays: number };
}

/** What the comparison is made under. */
export interface Terms {
  hourCents: number;
  /** What a day off the road costs whoever pays for it. */
  dayOffRoadCents: number;
  /** For so long the shop answers for its work. */
  horizonDays: number;
  draws: number;
  seed: number;
}

const MOST_CENTS = 1e9;
const MOST_DAYS = 36_500;
const MOST_HOURS = 1000;

function within(figure: number, low: number, high: number, what: string): void {
  if (!(figure >= low && figure <= high))
    throw new RangeError(`${figure} is no ${what}: ${low} to ${high} is.`);
}

function whole(figure: number, low: number, high: number, what: string): void {
  within(figure, low, high, what);
  if (!Number.isInteger(figure)) throw new RangeError(`${figure} is no ${what}: whole figures only.`);
}

/** Lets a sound option through, else throws `RangeError` with the figure and its range. */
export function checkOption(option: Option): void {
  const { extraHours: extra, life, guarantee } = option;
  whole(option.priceCents, 0, MOST_CENTS, "price in minor units");
  whole(option.freightCents, 0, MOST_CENTS, "freight in minor units");
  within(option.days, 0, MOST_DAYS, "number of days to wait");
  within(option.fitHours, 0, MOST_HOURS, "number of hours to fit it");
  within(extra.least, 0, MOST_HOURS, "number of extra hours");
  within(extra.likely, extra.least, MOST_HOURS, "likely number of extra hours");
  within(extra.most, extra.likely, MOST_HOURS, "greatest number of extra hours");
  within(option.wrongPartOdds, 0, 0.9, "share of wrong parts");
  within(life.medianDays, 1, 1e7, "life in days");
  within(life.shape, 0.2, 20, "shape of a life");
  within(guarantee.partDays, 0, MOST_DAYS, "number of days that the part is guaranteed");
  within(guarantee.labourDays, 0, MOST_DAYS, "number of days that the work is guaranteed");
}

/** Lets sound terms through, else throws `RangeError`. */
export function checkTerms(terms: Terms): void {
  whole(terms.hourCents, 0, MOST_CENTS, "price of an hour in minor units");
  whole(terms.dayOffRoadCents, 0, MOST_CENTS, "price of a day in minor units");
  within(terms.horizonDays, 1, MOST_DAYS, "number of days to answer for");
  whole(terms.draws, 1, 1_000_000, "number of draws");
  whole(terms.seed, 0, 0xffffffff, "seed");
}
