import type { Trace } from "./trace.ts";

export interface Dropout {
  atS: number;
  coolantC: number;
  samples: number;
}

export interface CleanSignal {
  /** One figure a second, °C, dropouts bridged. */
  grid: Float64Array;
  startS: number;
  dropouts: Dropout[];
}

/** An open sensor circuit reads coldest, a shorted one hottest (SAE J1979 scaling: −40 to 215 °C). */
const OPEN_CIRCUIT_C = -35;
const SHORT_CIRCUIT_C = 150;
/** Coolant and its sensor can't move faster than a few degrees a second; past this from the figures around, it's the wire. */
const IMPOSSIBLE_STEP_C = 12;
const NEIGHBOURS = 7;
const LONGEST_GRID_S = 86_400;

function median(figures: number[]): number {
  const sorted = figures.sort((a, b) => a - b);
  return sorted[sorted.length >> 1] ?? Number.NaN;
}

function isDropout(coolantC: Float64Array, index: number): boolean {
  const figure = coolantC[index] ?? 0;
  if (figure <= OPEN_CIRCUIT_C || figure >= SHORT_CIRCUIT_C) return true;
  const before = coolantC[index - 1] ?? figure;
  const after = coolantC[index + 1] ?? figure;
  if (Math.abs(figure - before) < IMPOSSIBLE_STEP_C && Math.abs(figure - after) < IMPOSSIBLE_STEP_C)
    return false;
  const around: number[] = [];
  for (
    let near = Math.max(0, index - NEIGHBOURS);
    near <= Math.min(coolantC.length - 1, index + NEIGHBOURS);
    near++
  ) {
    const neighbour = coolantC[near] ?? 0;
    if (near !== index && neighbour > OPEN_CIRCUIT_C && neighbour < SHORT_CIRCUIT_C) around.push(neighbour);
  }
  return around.length > 0 && Math.abs(figure - median(around)) >= IMPOSSIBLE_STEP_C;
}

/** The coolant signal as one mean figure a second with impossible samples taken out and named. */
export function cleanSignal({ s, coolantC }: Trace): CleanSignal {
  const dropouts: Dropout[] = [];
  const startS = s[0] ?? 0;
  const length = Math.min(LONGEST_GRID_S, Math.floor((s.at(-1) ?? 0) - startS) + 1);
  const sums = new Float64Array(length);
  const counts = new Uint32Array(length);
  let inDropout = false;
  for (let i = 0; i < s.length; i++) {
    const atS = s[i] ?? 0;
    const figure = coolantC[i] ?? 0;
    if (isDropout(coolantC, i)) {
      const last = dropouts.at(-1);
      if (inDropout && last) last.samples++;
      else dropouts.push({ atS, coolantC: figure, samples: 1 });
      inDropout = true;
      continue;
    }
    inDropout = false;
    const cell = Math.round(atS - startS);
    if (cell >= length) continue;
    sums[cell] = (sums[cell] ?? 0) + figure;
    counts[cell] = (counts[cell] ?? 0) + 1;
  }
  const grid = new Float64Array(length);
  let lastKnown = -1;
  for (let cell = 0; cell < length; cell++) {
    if (!counts[cell]) continue;
    grid[cell] = (sums[cell] ?? 0) / (counts[cell] ?? 1);
    const from = lastKnown < 0 ? (grid[cell] ?? 0) : (grid[lastKnown] ?? 0);
    for (let gap = lastKnown + 1; gap < cell; gap++) {
      const share = lastKnown < 0 ? 1 : (gap - lastKnown) / (cell - lastKnown);
      grid[gap] = from + ((grid[cell] ?? 0) - from) * share;
    }
    lastKnown = cell;
  }
  for (let cell = lastKnown + 1; cell < length; cell++) grid[cell] = grid[lastKnown] ?? 0;
  return { grid, startS, dropouts };
}
