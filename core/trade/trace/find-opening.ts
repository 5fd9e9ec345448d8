import { type Balance, balanceOf, COLUMNS, dot, RIDGE, START_LAG_S } from "./balance.ts";
import { GrowingFit } from "./least-squares.ts";
import { isIdle, type RevsHold } from "./revs.ts";

/** Where the climb of a shut engine ends, as the heat balance has it. */
export interface Opening {
  /** Cell of the one-second grid at which the valve leaves its seat. */
  at: number;
  coolantC: number;
  /** False where raised revs on the way up could have hidden another bend. */
  isProven: boolean;
  /** Climb before and in the minute after, °C a second; `share` is what is left of the climb that was to be expected. */
  before: number;
  after: number;
  share: number;
}

/** One that is still to be believed, with how well the balance of a shut engine tells the climb before it, °C. */
type Candidate = Opening & { residualC: number };

/** What the reader knows of an engine whose thermostat is shut. */
export interface ShutClimb {
  opening: Opening | undefined;
  /** Hottest that was reached with the climb still as a shut engine's, °C. */
  shutToC: number;
  /** The quickest half minute of the climb, °C a second. */
  quickest: number;
}

const STEP = 3;
const HORIZON_S = 60;
const LEAST_BEFORE_S = 60;
/** How far back a minute without raised revs is looked for. */
const CALM_S = 300;
/** The balance of a shut engine tells its climb better than this; where it can't, something else went on, °C. */
const MOST_RESIDUAL_C = 0.72;
/** From a warm start the climb hardly slows before the valve; one that has is past it already. */
const WARM_START_C = 62;
const WARM_SHARE = 0.45;
const NEAR_CARD_C = 4;
const COULD_OPEN_C = 6;
/** One that opens too early does so by up to about this. */
const EARLY_C = 15;
/** The climb so far is measured over this. */
const RATE_S = 30;
const LEAST_RISE_C = 6;
/** Less than this share of the expected climb left over a minute is a valve that opened; a heater or wind takes less. */
const OPEN_SHARE = 0.62;
const COLDEST_C = 55;
/** Up to this share of shortfall the engine may still be shut. */
const CLEAN_SHARE = 0.22;
/** A climb of less than this a minute is no climb to measure a shortfall by, °C. */
const LEAST_EXPECTED_C = 0.8;
/** Looks in a row that find the shortfall, three seconds apart. */
const LASTING = 5;
/** The least shortfall over the horizon that whole degrees and jitter can't make, °C. */
const LEAST_SHORT_C = 1.6;
/** A shortfall under the first may be chance, one past the second is none: the onset is where it, drawn back from these, is nothing. */
const ONSET_LOW_C = 0.5;
const ONSET_HIGH_C = 1.4;
/** At idle it is where a line that begins there tells best what came from so long before to so long behind them. */
const ONSET_BEFORE_S = 60;
const ONSET_BEHIND_S = 15;
const ONSET_STEP_S = 2;
const LEAST_SLOPE_S = 12;
/** A coolant sensor shows what its water did this much before. */
const SENSOR_LAG_S = 7;

export interface OpeningOptions {
  grid: Float64Array;
  known: Uint8Array;
  rpm: Float64Array | undefined;
  holds: readonly RevsHold[];
  /** Where the card says it opens: raised revs on the way past it leave a bend elsewhere without proof. */
  cardC: number;
}

/** The curve around a cell, averaged over a few so that whole degrees and jitter don't cross a limit by chance. */
function meanAround(grid: Float64Array, cell: number, reach: number): number {
  const from = Math.max(0, cell - reach);
  const to = Math.min(grid.length - 1, cell + reach);
  let sum = 0;
  for (let at = from; at <= to; at++) sum += grid[at] ?? 0;
  return sum / (to - from + 1);
}

interface Ahead {
  cell: number;
  /** Climb that the balance expects over the horizon, and what was missing of it, °C. */
  expectedC: number;
  shortC: number;
  residualC: number;
  weights: Float64Array;
}

/**
 * Where the climb of the shut engine ends: at every third second the balance of all that went before is drawn on for a
 * minute, and the first lasting shortfall is the valve. Raised revs are part of the balance and make none.
 */
export function findOpening({ grid, known, rpm, holds, cardC }: OpeningOptions): ShutClimb {
  const balance = balanceOf(grid, rpm, grid[0] ?? 0);
  const fit = new GrowingFit(COLUMNS, RIDGE);
  const startC = meanAround(grid, 5, 5);
  let clean: Ahead | undefined;
  let shutToC = Number.NEGATIVE_INFINITY;
  let first: Ahead | undefined;
  let lasting = 0;
  let opening: Opening | undefined;
  let quickest = 0;
  for (let cell = 0; cell + HORIZON_S < grid.length; cell++) {
    if (known[cell]) fit.add(balance.columns(cell), grid[cell] ?? 0);
    if (cell < LEAST_BEFORE_S || cell % STEP !== 0) continue;
    const weights = fit.weights();
    if (!weights) continue;
    const nowC = dot(weights, balance.columns(cell));
    // Raised revs never seen before could promise more heat than they bring: no more is expected than before them.
    const soFarC = HORIZON_S * ((nowC - dot(weights, balance.columns(cell - RATE_S))) / RATE_S);
    const expectedC = Math.min(dot(weights, balance.columns(cell + HORIZON_S)) - nowC, soFarC);
    const aheadC = meanAround(grid, cell + HORIZON_S, 5);
    const ahead: Ahead = {
      cell,
      expectedC,
      shortC: nowC + expectedC - aheadC,
      residualC: fit.residual(weights),
      weights,
    };
    const share = ahead.shortC / Math.max(expectedC, LEAST_EXPECTED_C);
    quickest = Math.max(quickest, (meanAround(grid, cell, 4) - meanAround(grid, cell - RATE_S, 4)) / RATE_S);
    if (nowC < COLDEST_C || nowC - startC < LEAST_RISE_C) {
      clean = ahead;
      continue;
    }
    if (ahead.residualC > MOST_RESIDUAL_C) break;
    if (share < CLEAN_SHARE && ahead.shortC < LEAST_SHORT_C) {
      clean = ahead;
      if (expectedC >= LEAST_EXPECTED_C && isIdle(holds, cell - 2 * HORIZON_S, cell + HORIZON_S))
        shutToC = Math.max(shutToC, aheadC);
    }
    if (share >= 1 - OPEN_SHARE && ahead.shortC >= LEAST_SHORT_C) {
      first ??= ahead;
      lasting++;
      if (lasting >= LASTING) {
        const candidate = onset(grid, balance, holds, clean ?? first, first);
        candidate.isProven = isProven(candidate, grid, holds, cardC);
        if (isCredible(candidate, startC, quickest) && (candidate.isProven || isNear(candidate, cardC))) {
          opening = candidate;
          break;
        }
        first = undefined;
        lasting = 0;
      }
    } else {
      first = undefined;
      lasting = 0;
    }
  }
  return { opening, shutToC, quickest };
}

function isCredible({ at, share, residualC, before }: Candidate, startC: number, quickest: number): boolean {
  if (at < LEAST_BEFORE_S) return false;
  if (share >= OPEN_SHARE || before * HORIZON_S < LEAST_EXPECTED_C || residualC > MOST_RESIDUAL_C)
    return false;
  return startC < WARM_START_C || before > WARM_SHARE * quickest;
}

const isNear = ({ coolantC }: Pick<Opening, "coolantC">, cardC: number) =>
  Math.abs(coolantC - cardC) < NEAR_CARD_C;

/** Revs that changed while it could have opened hide the bend, and make others. */
function isProven(
  { at, coolantC }: Opening,
  grid: Float64Array,
  holds: readonly RevsHold[],
  cardC: number,
): boolean {
  const isNearCard = isNear({ coolantC }, cardC);
  const couldC = Math.min(cardC, coolantC) - (isNearCard ? EARLY_C : COULD_OPEN_C);
  const from = grid.findIndex((figure) => figure >= couldC);
  return isIdle(holds, isNearCard ? from : Math.min(from, at - CALM_S), at + RATE_S);
}

/** Where a shortfall that was nothing begins to grow in proportion to time: the cell that leaves the least squared residual. */
function bendOf(short: (cell: number) => number, from: number, to: number): number | undefined {
  const shorts = Array.from({ length: to - from + 1 }, (_, at) => short(from + at));
  let best: { at: number; explained: number } | undefined;
  for (let at = 0; at < shorts.length - LEAST_SLOPE_S; at += ONSET_STEP_S) {
    let [across, square] = [0, 0];
    for (let cell = at + 1; cell < shorts.length; cell++) {
      across += (shorts[cell] ?? 0) * (cell - at);
      square += (cell - at) ** 2;
    }
    const explained = Math.max(0, across) ** 2 / square;
    if (!best || explained > best.explained) best = { at, explained };
  }
  return best && from + best.at;
}

function onset(
  grid: Float64Array,
  balance: Balance,
  holds: readonly RevsHold[],
  model: Ahead,
  first: Ahead,
): Candidate {
  const short = (cell: number) => dot(model.weights, balance.columns(cell)) - meanAround(grid, cell, 4);
  const end = Math.min(grid.length - 1, first.cell + 2 * HORIZON_S);
  let high = first.cell;
  while (high < end && short(high) < ONSET_HIGH_C) high++;
  let low = high;
  while (low > model.cell - HORIZON_S && short(low) > ONSET_LOW_C) low--;
  const slope = (short(high) - short(low)) / Math.max(1, high - low);
  const drawnBack = low - short(low) / Math.max(slope, 0.01);
  // What raised revs promised too little or too much of before it bends the shortfall as well.
  const bend = isIdle(holds, low - ONSET_BEFORE_S, high)
    ? bendOf(short, Math.max(0, low - ONSET_BEFORE_S), Math.min(end, high + ONSET_BEHIND_S))
    : undefined;
  const at = Math.max(0, Math.round((bend ?? drawnBack) - SENSOR_LAG_S));
  const rate = (from: number, to: number) => {
    const last = Math.min(grid.length - 1, to);
    return last > from ? (meanAround(grid, last, 4) - meanAround(grid, from, 4)) / (last - from) : 0;
  };
  // What raised revs bring is no measure: the slowest minute of the last five is what is held against.
  let before = Number.POSITIVE_INFINITY;
  for (let from = Math.max(0, at - CALM_S); from + HORIZON_S <= Math.max(at - 5, HORIZON_S); from += 10)
    if (from > START_LAG_S) before = Math.min(before, rate(from, from + HORIZON_S));
  if (before === Number.POSITIVE_INFINITY) before = rate(Math.max(0, at - RATE_S), at);
  const after = rate(at + 12, at + 72);
  return {
    at,
    coolantC: dot(model.weights, balance.columns(at)),
    isProven: true,
    residualC: model.residualC,
    before,
    after,
    share: after / Math.max(before, 1e-3),
  };
}
