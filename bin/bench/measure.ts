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

/** Milliseconds that the yardstick takes on the machine on which the figures were set. */
const YARDSTICK_MS = 27;

/** Text, objects and figures, about as much of each as the program's own work has; always the same. */
function yardstick(): number {
  const rows = Array.from({ length: 20_000 }, (_, index) => ({
    id: `line ${(index * 7919) % 20_000}`,
    litres: Math.sin(index) * 5,
  }));
  const again = JSON.parse(JSON.stringify(rows)) as typeof rows;
  return again.sort((a, b) => a.litres - b.litres || (a.id < b.id ? -1 : 1)).length;
}

/** How many times slower than that machine this one is now; 1 where it is as quick or quicker. */
export function slowness(): number {
  const times = Array.from({ length: 9 }, () => {
    const from = performance.now();
    yardstick();
    return performance.now() - from;
  });
  return Math.max(1, median(times) / YARDSTICK_MS);
}
