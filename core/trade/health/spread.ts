import { inverse, Matrix } from "ml-matrix";

/** What is left over of a slow curve in whole degrees keeps its sign for so long, s. */
const KEEPS_SIGN_S = 60;

/**
 * The covariance of what was sought by least squares, from each row's slopes and what was left over there. Neighbouring rows err
 * together, so that each counts with those around it: Newey and West, A Simple, Positive Semi-definite, Heteroskedasticity and
 * Autocorrelation Consistent Covariance Matrix. `rows` are the log's; what was known before stands behind them, each with a
 * variance of 1.
 */
export function covariance(
  slopes: readonly Float64Array[],
  residuals: Float64Array,
  rows: number,
  rowS: number,
): Matrix | undefined {
  const size = slopes.length;
  const lags = Math.min(rows - 1, Math.round(KEEPS_SIGN_S / rowS));
  const information = new Matrix(size, size);
  const middle = new Matrix(size, size);
  const slope = (of: number, row: number) => (slopes[of] as Float64Array)[row] as number;
  for (let one = 0; one < size; one++)
    for (let other = 0; other < size; other++) {
      let sum = 0;
      for (let row = 0; row < residuals.length; row++) sum += slope(one, row) * slope(other, row);
      information.set(one, other, sum);
      let together = 0;
      for (let row = rows; row < residuals.length; row++) together += slope(one, row) * slope(other, row);
      for (let lag = -lags; lag <= lags; lag++) {
        const share = 1 - Math.abs(lag) / (lags + 1);
        let part = 0;
        for (let row = Math.max(0, -lag); row < Math.min(rows, rows - lag); row++)
          part +=
            slope(one, row) *
            (residuals[row] as number) *
            slope(other, row + lag) *
            (residuals[row + lag] as number);
        together += share * part;
      }
      middle.set(one, other, together);
    }
  try {
    const sides = inverse(information);
    return sides.mmul(middle).mmul(sides);
  } catch {
    return undefined;
  }
}
