import type { Rates } from "../model/index.ts";

/**
 * What a shop without figures of its own reckons with: 60.00 an hour of labour; a warm-up and a look at the level, forty
 * minutes, to see that a repair helped; a car that comes back costs two hours, a collection, a good name and, one time in
 * twenty, an engine that overheated first: 600.00.
 */
export const USUAL_RATES: Rates = {
  centsPerMinute: 100,
  recheckMinutes: 40,
  comebackCents: 60_000,
  // Running it up to its fan, somebody beside it.
  heatMinutes: 15,
  // A night, or an afternoon, is no work; but the car stands in the way, the owner without it, and it is fetched twice.
  coolMinutes: 45,
  // A look more on a warm-up that runs anyway.
  alongMinutes: 3,
};

/**
 * What it costs where an engine that is going to boil is handed back as sound: another engine, fitted, and the owner gone.
 * Of 600.00, 3,000.00 and 6,000.00 only the last left next to none of them unfound, for 3 % more testing a car.
 */
export const BOILED_COMEBACK_CENTS = 600_000;

/**
 * From this share of belief a repair is called the verdict. Below it a repair may still be the cheapest next step: then it
 * is offered as a trial, and its recheck gives the verdict. One wrong in thirty is what a good shop lives with.
 */
export const VERDICT_BELIEF = 0.97;
