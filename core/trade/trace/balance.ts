/** Metal warms before coolant does: the first seconds hardly climb. */
export const START_LAG_S = 35;
/** Heat of raised revs takes this long from the cylinders to the sensor. */
const REVS_LAG_S = 20;

/** A cylinder gives its heat stroke by stroke; friction and leaner mixture leave a little less than in proportion. */
const HEAT_OF_REVS = 0.9;
/** Columns of like size, so that one ridge suits them all. */
const HEAT_SCALE = 20;
const WARMTH_SCALE = 100;
/** Columns of the balance in its integral form: constant, heat of revs, what departs from it, loss, the start's lag. */
export const RIDGE = [0, 1e-3, 40, 1e-1, 1e-3];
export const COLUMNS = RIDGE.length;

const IDLE_RPM = 800;
const LEAST_RPM = 300;

/** Heat at those revs as a share of that at 800; of a log without revs, all of it idle. */
export const heatAt = (rpm: number | undefined): number =>
  rpm === undefined ? 1 : (Math.max(LEAST_RPM, rpm) / IDLE_RPM) ** HEAT_OF_REVS;

/** Where it would come to rest at so much heat, °C above what it rests at without any. */
export function settlesAt(weights: Float64Array, heat: number): number {
  const [, ofRevs = 0, departs = 0, loss = 0] = weights;
  const climbs = (heat * ofRevs + (heat - 1) * departs) / HEAT_SCALE;
  return loss < 0 ? climbs / (-loss / WARMTH_SCALE) : Number.POSITIVE_INFINITY;
}

export interface Balance {
  columns: (cell: number) => Float64Array;
}

/**
 * The columns of the heat balance up to each cell: T = T0 + h·∫revs^0.9 + what departs from that − k·∫(T − rest) +
 * c·(1 − e^(−t/lag)), which is linear in its unknowns and averages jitter away because it is the integral that is fitted, not the rate.
 */
export function balanceOf(grid: Float64Array, rpm: Float64Array | undefined, restC: number): Balance {
  const heat = new Float64Array(grid.length);
  const warmth = new Float64Array(grid.length);
  const power = (cell: number) => heatAt(rpm?.[cell]);
  let lagged = power(0);
  for (let cell = 1; cell < grid.length; cell++) {
    lagged += (power(cell) - lagged) / REVS_LAG_S;
    heat[cell] = (heat[cell - 1] ?? 0) + lagged / HEAT_SCALE;
    warmth[cell] = (warmth[cell - 1] ?? 0) + ((grid[cell] ?? 0) - restC) / WARMTH_SCALE;
  }
  const row = new Float64Array(COLUMNS);
  return {
    columns: (cell) => {
      row[0] = 1;
      row[1] = heat[cell] ?? 0;
      row[2] = (heat[cell] ?? 0) - cell / HEAT_SCALE;
      row[3] = warmth[cell] ?? 0;
      row[4] = 1 - Math.exp(-cell / START_LAG_S);
      return row;
    },
  };
}

export const dot = (weights: Float64Array, columns: Float64Array) => {
  let sum = 0;
  for (let i = 0; i < COLUMNS; i++) sum += (weights[i] ?? 0) * (columns[i] ?? 0);
  return sum;
};
