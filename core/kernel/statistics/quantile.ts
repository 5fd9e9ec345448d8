/** One of the things that may be, and how much speaks for it. */
export interface Weighed {
  value: number;
  weight: number;
}

/** The values below which these shares of all the weight lie, in the order of `shares`. */
export function quantiles(all: readonly Weighed[], shares: readonly number[]): number[] {
  const sorted = [...all].sort((a, b) => a.value - b.value);
  const total = sorted.reduce((sum, { weight }) => sum + weight, 0);
  const found: number[] = [];
  let sum = 0;
  let place = 0;
  for (const share of shares) {
    while (place < sorted.length - 1 && sum + (sorted[place]?.weight ?? 0) < share * total) {
      sum += sorted[place]?.weight ?? 0;
      place++;
    }
    found.push(sorted[place]?.value ?? 0);
  }
  return found;
}

/** So many steps from one figure to another, evenly or by equal ratios. */
export const steps = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count }, (_, step) => from + ((to - from) * step) / (count - 1));
export const ratios = (from: number, to: number, count: number): number[] =>
  steps(Math.log(from), Math.log(to), count).map(Math.exp);
