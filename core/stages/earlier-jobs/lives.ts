import type { Entry } from "../../book/entry/index.ts";
import { plainPart } from "../../book/parts/index.ts";
import { type Life, survival, weibull } from "../../trade/lifetimes/index.ts";
import { type PartLife, partLives } from "./part-lives.ts";

/** How long one part lasted in this shop's cars, or has lasted until now. */
export interface PartSpan extends Life {
  /** The part by the name it goes by on the car. */
  item: string;
  grade: string;
  supplier: string;
}

const DAY_MS = 86_400_000;
/** Below so many gone, half a life is a guess. */
export const FEWEST_GONE = 3;
/** A shape that is fitted to fewer may be anything: it is not told. */
const FEWEST_FITTED = 5;

/** When a car was last written of; a car that comes no more has its parts counted until then, and no longer. */
const lastSeen = (books: readonly { entries: readonly Entry[] }[]): number =>
  Math.max(...books.flatMap(({ entries }) => entries.map(({ at }) => Date.parse(at))));

/**
 * Every part's life by the books of a shop, each vehicle's oldest first; those still in a car count until it was last seen, and those
 * that were changed as planned until then.
 */
export function spansOf(
  vehicles: readonly (readonly { jobId: string; entries: readonly Entry[] }[])[],
  now: string,
): PartSpan[] {
  return vehicles.flatMap((books) => {
    const seen = Math.min(Date.parse(now), lastSeen(books));
    return partLives(books).map(({ item, grade, supplier, from, to, isChanged }: PartLife) => ({
      item: plainPart(item),
      grade,
      supplier,
      days: Math.max(0, Math.round(((to ? Date.parse(to) : seen) - Date.parse(from)) / DAY_MS)),
      failed: to !== undefined && !isChanged,
    }));
  });
}

/** A half that is reached exactly is reached, whatever the last digit says. */
const HALF = 0.5 + 1e-9;

/** Days after which half of them were gone; nothing where so many haven't gone yet, or too few have to say. */
export function halfGoneAfter(lives: readonly Life[]): number | undefined {
  if (lives.filter(({ failed }) => failed).length < FEWEST_GONE) return undefined;
  return survival(lives).find(({ share }) => share <= HALF)?.days;
}

/** Sound lives lie within these; a fit that lies outside has seen too few. */
const SHAPES = { least: 0.6, most: 6 };
const MEDIANS = { least: 30, most: 20_000 };

export interface LifeHere {
  life: { medianDays: number; shape: number };
  gone: number;
  of: number;
}

/**
 * How long a part of this grade lasts in this shop, Weibull by its own jobs, those still in a car counted right; nothing where
 * too few have gone to say, or they tell nothing sound. Days.
 */
export function lifeHere(spans: readonly PartSpan[], item: string, grade: string): LifeHere | undefined {
  const name = plainPart(item);
  const lives = spans.filter((span) => span.item === name && span.grade === grade);
  const gone = lives.filter(({ failed }) => failed).length;
  if (gone < FEWEST_FITTED) return undefined;
  try {
    const { shape, scaleDays } = weibull(lives);
    const medianDays = scaleDays * Math.LN2 ** (1 / shape);
    const isSound =
      shape >= SHAPES.least &&
      shape <= SHAPES.most &&
      medianDays >= MEDIANS.least &&
      medianDays <= MEDIANS.most;
    return isSound ? { life: { medianDays, shape }, gone, of: lives.length } : undefined;
  } catch (error) {
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}
