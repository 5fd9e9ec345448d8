/** Sums that make the mean and the slope of any stretch of a curve cost the same, however long it is. */
export class Curve {
  private readonly sum: Float64Array;
  private readonly moment: Float64Array;
  private readonly square: Float64Array;

  constructor(readonly grid: Float64Array) {
    const length = grid.length + 1;
    this.sum = new Float64Array(length);
    this.moment = new Float64Array(length);
    this.square = new Float64Array(length);
    for (let i = 0; i < grid.length; i++) {
      const figure = grid[i] ?? 0;
      this.sum[i + 1] = (this.sum[i] ?? 0) + figure;
      this.moment[i + 1] = (this.moment[i] ?? 0) + figure * i;
      this.square[i + 1] = (this.square[i] ?? 0) + figure * figure;
    }
  }

  get length(): number {
    return this.grid.length;
  }

  /** Mean over cells `from` up to but without `to`, both held inside the curve. */
  mean(from: number, to: number): number {
    const low = Math.max(0, Math.min(Math.floor(from), this.length - 1));
    const high = Math.max(low + 1, Math.min(Math.floor(to), this.length));
    return ((this.sum[high] ?? 0) - (this.sum[low] ?? 0)) / (high - low);
  }

  /** Least-squares line over cells `from` up to but without `to`: °C a second, and its value at cell `at`. */
  line(from: number, to: number): { slope: number; at: (cell: number) => number; residual: number } {
    const low = Math.max(0, Math.floor(from));
    const high = Math.min(this.length, Math.floor(to));
    const n = high - low;
    if (n < 2) {
      const value = this.mean(low, high);
      return { slope: 0, at: () => value, residual: 0 };
    }
    const sum = (this.sum[high] ?? 0) - (this.sum[low] ?? 0);
    const moment = (this.moment[high] ?? 0) - (this.moment[low] ?? 0);
    const square = (this.square[high] ?? 0) - (this.square[low] ?? 0);
    const centre = (low + high - 1) / 2;
    const spread = (n * (n * n - 1)) / 12;
    const across = moment - centre * sum;
    const slope = across / spread;
    const mean = sum / n;
    return {
      slope,
      at: (cell) => mean + slope * (cell - centre),
      residual: Math.max(0, square - sum * mean - slope * across),
    };
  }

  /** The curve averaged over `width` cells around each. */
  smooth(width: number): Float64Array {
    const half = width >> 1;
    const smooth = new Float64Array(this.length);
    for (let i = 0; i < this.length; i++) {
      const reach = Math.min(half, i, this.length - 1 - i);
      smooth[i] = this.mean(i - reach, i + reach + 1);
    }
    return smooth;
  }
}

export interface Hinge {
  /** Where the two lines meet, in cells. */
  at: number;
  value: number;
  before: number;
  after: number;
}

/**
 * The bend in a stretch of curve: two lines that part the stretch where they leave the least squared residual.
 * The bend stands where they cross, held to the neighbourhood of the best cut.
 */
export function fitHinge(curve: Curve, from: number, to: number, least = 12): Hinge | undefined {
  let best: { cut: number; residual: number } | undefined;
  for (let cut = from + least; cut <= to - least; cut++) {
    const residual = curve.line(from, cut).residual + curve.line(cut, to).residual;
    if (!best || residual < best.residual) best = { cut, residual };
  }
  if (!best) return undefined;
  const before = curve.line(from, best.cut);
  const after = curve.line(best.cut, to);
  const bend = before.slope - after.slope;
  const crossing =
    Math.abs(bend) < 1e-9 ? best.cut : best.cut + (before.at(best.cut) - after.at(best.cut)) / -bend;
  const at = Math.min(best.cut + least, Math.max(best.cut - least, crossing));
  return { at, value: (before.at(at) + after.at(at)) / 2, before: before.slope, after: after.slope };
}
