import { findSlugs, type Slug } from "./find-slugs.ts";
import type { Trace } from "./trace.ts";

export interface Dropout {
  atS: number;
  coolantC: number;
  samples: number;
}

export interface CleanSignal {
  /** One figure a second, °C; what is missing or spoilt is bridged by a straight line. */
  grid: Float64Array;
  /** 1 where a figure was read, 0 where it was bridged. */
  known: Uint8Array;
  /** Engine revs on the same grid; absent where none were logged. */
  rpm: Float64Array | undefined;
  startS: number;
  dropouts: Dropout[];
  slugs: Slug[];
  /** Samples that say something; none makes a log of a sensor that never spoke. */
  valid: number;
}

/** An open sensor circuit reads coldest, a shorted one hottest (SAE J1979 scaling: −40 to 215 °C). */
const OPEN_CIRCUIT_C = -35;
const SHORT_CIRCUIT_C = 150;
const LONGEST_GRID_S = 86_400;

export const isOut = (coolantC: number) => !(coolantC > OPEN_CIRCUIT_C && coolantC < SHORT_CIRCUIT_C);

/** Straight lines over the cells that nothing is known of; the ends are held level. */
export function bridge(grid: Float64Array, known: Uint8Array): void {
  let last = -1;
  for (let cell = 0; cell < grid.length; cell++) {
    if (!known[cell]) continue;
    const from = grid[last < 0 ? cell : last] ?? 0;
    const rise = (grid[cell] ?? 0) - from;
    for (let gap = last + 1; gap < cell; gap++)
      grid[gap] = last < 0 ? from : from + (rise * (gap - last)) / (cell - last);
    last = cell;
  }
  for (let cell = last + 1; cell < grid.length; cell++) grid[cell] = grid[Math.max(0, last)] ?? 0;
}

function onGrid(s: Float64Array, column: Float64Array, length: number, isGood: (figure: number) => boolean) {
  const startS = s[0] ?? 0;
  const grid = new Float64Array(length);
  const counts = new Uint32Array(length);
  for (let i = 0; i < s.length; i++) {
    const figure = column[i] ?? Number.NaN;
    const cell = Math.round((s[i] ?? 0) - startS);
    if (!isGood(figure) || cell < 0 || cell >= length) continue;
    grid[cell] = (grid[cell] ?? 0) + figure;
    counts[cell] = (counts[cell] ?? 0) + 1;
  }
  const known = new Uint8Array(length);
  for (let cell = 0; cell < length; cell++) {
    const count = counts[cell] ?? 0;
    if (count === 0) continue;
    known[cell] = 1;
    grid[cell] = (grid[cell] ?? 0) / count;
  }
  bridge(grid, known);
  return { grid, known };
}

function dropoutsOf({ s, coolantC }: Trace): { dropouts: Dropout[]; valid: number } {
  const dropouts: Dropout[] = [];
  let last: Dropout | undefined;
  let valid = 0;
  for (let i = 0; i < s.length; i++) {
    const figure = coolantC[i] ?? Number.NaN;
    if (Number.isNaN(figure)) continue;
    if (!isOut(figure)) {
      valid++;
      last = undefined;
    } else if (last) last.samples++;
    else {
      last = { atS: (s[i] ?? 0) - (s[0] ?? 0), coolantC: figure, samples: 1 };
      dropouts.push(last);
    }
  }
  return { dropouts, valid };
}

/** The coolant signal as one mean figure a second, with what no coolant could have done taken out and named. */
export function cleanSignal(trace: Trace): CleanSignal {
  const startS = trace.s[0] ?? 0;
  const length = Math.max(2, Math.min(LONGEST_GRID_S, Math.round((trace.s.at(-1) ?? 0) - startS) + 1));
  const { dropouts, valid } = dropoutsOf(trace);
  const { grid, known } = onGrid(trace.s, trace.coolantC, length, (figure) => !isOut(figure));
  const slugs = findSlugs(grid, known);
  for (const slug of slugs) known.fill(0, slug.from, slug.to);
  if (slugs.length > 0) bridge(grid, known);
  const revs = trace.rpm && onGrid(trace.s, trace.rpm, length, (figure) => figure >= 0 && figure < 12_000);
  return {
    grid,
    known,
    rpm: revs?.known.some((cell) => cell === 1) ? revs.grid : undefined,
    startS,
    dropouts,
    slugs,
    valid,
  };
}
