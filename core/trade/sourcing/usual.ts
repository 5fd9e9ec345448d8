import type { Grade } from "./grade.ts";
import type { Option, Terms } from "./option.ts";

type Usual = Pick<Option, "extraHours" | "wrongPartOdds" | "life" | "guarantee">;

/**
 * What a shop without figures of its own reckons with, by grade: how often the wrong one comes, what it takes longer to
 * fit, how long half of them last. A technician would argue about each; its own jobs will say better once there are some.
 */
export const USUAL_BY_GRADE: Record<Grade, Usual> = {
  // Fits as it comes, and lasts as the first did: eleven years and more.
  "maker's": {
    extraHours: { least: 0, likely: 0, most: 0.5 },
    wrongPartOdds: 0.02,
    life: { medianDays: 4000, shape: 2 },
    guarantee: { partDays: 730, labourDays: 0 },
  },
  // Bushes and brackets moved over and bent to; crimped seams that let go in their fifth year.
  pattern: {
    extraHours: { least: 0, likely: 0.5, most: 2 },
    wrongPartOdds: 0.08,
    life: { medianDays: 1800, shape: 1.8 },
    guarantee: { partDays: 365, labourDays: 0 },
  },
  // Nothing to crack; thicker, so that what stands behind it has to move.
  "all-metal": {
    extraHours: { least: 0.5, likely: 1, most: 3 },
    wrongPartOdds: 0.05,
    life: { medianDays: 5000, shape: 2 },
    guarantee: { partDays: 730, labourDays: 0 },
  },
  // As old as the car it came from, and nobody knows how it was treated.
  used: {
    extraHours: { least: 0, likely: 0.3, most: 1 },
    wrongPartOdds: 0.05,
    life: { medianDays: 1200, shape: 1.2 },
    guarantee: { partDays: 90, labourDays: 0 },
  },
};

/** Enough that a figure moves by less than one in a hundred from one seed to the next. */
export const USUAL_DRAWS: Pick<Terms, "draws" | "seed"> = { draws: 20_000, seed: 1 };
