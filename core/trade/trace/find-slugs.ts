/** A stretch in which air or steam passed the sensor, or its plug came and went: cells `from` up to but without `to`. */
export interface Slug {
  from: number;
  to: number;
  /** How far it stood off, °C. */
  offC: number;
}

/** Coolant can't move by this much within these seconds, fans, revs and cold slugs from the radiator included. */
const EDGE_C = 5;
const EDGE_S = 4;
/** After an edge the coolant is back, or the slug would be the new truth. */
const LONGEST_S = 45;
const BACK_C = 3;
/** It comes back as it went, in a leap; a fan's fall doesn't. */
const BACK_EDGE_C = 3;
const MARGIN_S = 3;
/** What the curve did just before an edge tells where it would be. */
const BEFORE_S = 12;

function meanOf(grid: Float64Array, known: Uint8Array, from: number, to: number): number {
  let sum = 0;
  let count = 0;
  for (let cell = Math.max(0, from); cell < Math.min(grid.length, to); cell++) {
    if (!known[cell]) continue;
    sum += grid[cell] ?? 0;
    count++;
  }
  return count > 0 ? sum / count : Number.NaN;
}

/** Stretches that leap off the curve and leap back, in order; each is at most 45 s long. */
export function findSlugs(grid: Float64Array, known: Uint8Array): Slug[] {
  const slugs: Slug[] = [];
  let cell = BEFORE_S;
  while (cell + EDGE_S < grid.length) {
    const step = (grid[cell + EDGE_S] ?? 0) - (grid[cell] ?? 0);
    if (Math.abs(step) < EDGE_C || !known[cell] || !known[cell + EDGE_S]) {
      cell++;
      continue;
    }
    const last = slugs.at(-1);
    const before = meanOf(grid, known, Math.max(last?.to ?? 0, cell - BEFORE_S), cell + 1);
    const level = Number.isNaN(before) ? (grid[cell] ?? 0) : before;
    let to = cell + EDGE_S;
    const end = Math.min(grid.length, cell + LONGEST_S);
    while (to < end && Math.abs((grid[to] ?? 0) - level) > BACK_C) to++;
    const isBack =
      Math.abs((grid[Math.min(to + 2, grid.length - 1)] ?? 0) - (grid[to - 3] ?? 0)) >= BACK_EDGE_C;
    if ((to >= end && end < grid.length) || !isBack) {
      cell += EDGE_S;
      continue;
    }
    slugs.push({ from: cell - 1, to: Math.min(grid.length, to + MARGIN_S), offC: step });
    cell = to + MARGIN_S;
  }
  return slugs;
}
