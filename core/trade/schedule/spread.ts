/** How long work really takes beside its estimate: real over estimated, its middle and how far it spreads (of its logarithm). */
export interface Spread {
  middle: number;
  sigma: number;
  /** Of how many; 0 where it is what is usual, and not of this shop's books. */
  count: number;
  /** Every one of them, where there are enough to draw from themselves: what is left over a night has a shape of its own. */
  ratios?: readonly number[];
}

/** Until a shop's own books say otherwise: estimates of a practised hand are met by half, and missed by half as much again one time in ten. */
export const USUAL_SPREAD: Spread = { middle: 1, sigma: 0.32, count: 0 };
/** What passes by itself keeps its time better than hands do. */
export const REST_SPREAD: Spread = { middle: 1, sigma: 0.2, count: 0 };

/** Fewer say nothing of how far they spread. */
const FEWEST = 5;
/** So many are drawn from as they are. */
const ENOUGH = 15;
const LEAST_SIGMA = 0.08;
/** Quartiles lie so far apart in units of the deviation of a normal distribution. */
const QUARTILES = 1.349;

function quantile(sorted: readonly number[], share: number): number {
  const place = share * (sorted.length - 1);
  const below = Math.floor(place);
  const [low = 0, high = low] = [sorted[below], sorted[Math.min(below + 1, sorted.length - 1)]];
  return low + (high - low) * (place - below);
}

/**
 * The spread of work that was done, by each one's real minutes over its estimate (above 0). By middle and quartiles, so that one that was
 * left overnight moves nothing; wider the fewer there are. Undefined with fewer than five: too few to say.
 */
export function spreadOf(ratios: readonly number[]): Spread | undefined {
  const logs = ratios
    .filter((ratio) => ratio > 0 && Number.isFinite(ratio))
    .map((ratio) => Math.log(ratio))
    .sort((a, b) => a - b);
  if (logs.length < FEWEST) return undefined;
  const sigma = (quantile(logs, 0.75) - quantile(logs, 0.25)) / QUARTILES;
  return {
    middle: Math.exp(quantile(logs, 0.5)),
    sigma: Math.max(LEAST_SIGMA, sigma) * Math.sqrt(1 + 2 / logs.length),
    count: logs.length,
    ...(logs.length >= ENOUGH && { ratios: logs.map(Math.exp) }),
  };
}

/** One length that work of so many minutes may take; `random` from 0 to 1. */
export function drawn(minutes: number, { middle, sigma, ratios }: Spread, random: () => number): number {
  // Between two that were seen, so that no exact figure comes again and again.
  if (ratios) return minutes * quantile(ratios, random());
  // By Box and Muller's way.
  const normal = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  return minutes * middle * Math.exp(sigma * normal);
}
