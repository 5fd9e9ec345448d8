import { inOrder, type Life } from "./life.ts";

/** A part that failed on the day it was fitted lived some hours: nought days have no logarithm. */
const LEAST_DAYS = 0.5;
const LEAST_SHAPE = 0.01;
const MOST_SHAPE = 1000;

/**
 * The lifetime distribution that explains these lives best: Weibull by maximum likelihood, those that still hold counted
 * right. A shape over 1 wears out, under 1 fails young; 63 % have failed by `scaleDays`. A life of nought counts as half a
 * day. Throws `RangeError` where fewer than two have failed or where those that failed tell no spread, and on a length
 * outside 0 to 100,000 days. Source: Kalbfleisch and Prentice, 2002.
 */
export function weibull(given: readonly Life[]): { shape: number; scaleDays: number } {
  const lives = inOrder(given).map(({ days, failed }) => ({
    log: Math.log(Math.max(LEAST_DAYS, days)),
    failed,
  }));
  const failed = lives.filter((life) => life.failed);
  if (failed.length < 2) throw new RangeError(`${failed.length} failed: two is the least to tell a life by.`);
  const meanLog = failed.reduce((sum, { log }) => sum + log, 0) / failed.length;
  const longest = lives.at(-1)?.log ?? 0;
  // By the longest life, so that no power of a life runs out of figures.
  const sums = (shape: number) => {
    let plain = 0;
    let weighed = 0;
    for (const { log } of lives) {
      const power = Math.exp(shape * (log - longest));
      plain += power;
      weighed += power * log;
    }
    return { plain, weighed };
  };
  const rises = (shape: number) => {
    const { plain, weighed } = sums(shape);
    return weighed / plain - 1 / shape - meanLog > 0;
  };
  let low = Math.log(LEAST_SHAPE);
  let high = Math.log(MOST_SHAPE);
  if (!rises(Math.exp(high))) throw new RangeError("All failed at one age: that tells no spread of lives.");
  for (let halving = 0; halving < 60; halving++) {
    const middle = (low + high) / 2;
    if (rises(Math.exp(middle))) high = middle;
    else low = middle;
  }
  const shape = Math.exp((low + high) / 2);
  const logScale = longest + Math.log(sums(shape).plain / failed.length) / shape;
  return { shape, scaleDays: Math.exp(logScale) };
}
