/** One figure beside the wanted one. */
export interface Figure {
  name: string;
  measured: number;
  unit: string;
  /** What it must stay under, or reach where `atLeast`. */
  wanted: number;
  atLeast?: boolean;
  /** The figures it was made from. */
  from?: string;
}

export const median = (figures: readonly number[]): number =>
  [...figures].sort((a, b) => a - b)[figures.length >> 1] ?? Number.NaN;

/** Median milliseconds of `runs` runs after one that isn't counted. */
export async function medianMs(runs: number, work: () => unknown): Promise<number> {
  const times: number[] = [];
  for (let run = 0; run <= runs; run++) {
    const from = performance.now();
    await work();
    if (run > 0) times.push(performance.now() - from);
  }
  return median(times);
}

/** Two pieces of work in turn, so that a machine that slows down slows both; the medians. */
export async function medianPairMs(runs: number, first: () => unknown, second: () => unknown) {
  const times: [number[], number[]] = [[], []];
  for (let run = 0; run <= runs; run++) {
    for (const [index, work] of [first, second].entries()) {
      const from = performance.now();
      await work();
      if (run > 0) times[index]?.push(performance.now() - from);
    }
  }
  return { firstMs: median(times[0]), secondMs: median(times[1]) };
}
