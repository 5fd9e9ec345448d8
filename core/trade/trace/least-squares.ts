/**
 * Sums that grow sample by sample, and the least-squares weights they give at any moment: normal equations with a
 * ridge on each weight (how large it may sensibly be), solved by Cholesky. Made for a handful of columns.
 */
export class GrowingFit {
  private readonly normal: Float64Array;
  private readonly right: Float64Array;
  private squares = 0;
  count = 0;

  constructor(
    private readonly size: number,
    private readonly ridge: readonly number[],
  ) {
    this.normal = new Float64Array(size * size);
    this.right = new Float64Array(size);
  }

  add(columns: Float64Array, value: number): void {
    this.count++;
    this.squares += value * value;
    for (let row = 0; row < this.size; row++) {
      const figure = columns[row] ?? 0;
      this.right[row] = (this.right[row] ?? 0) + figure * value;
      for (let column = 0; column <= row; column++) {
        const cell = row * this.size + column;
        this.normal[cell] = (this.normal[cell] ?? 0) + figure * (columns[column] ?? 0);
      }
    }
  }

  /** The weights of the columns, or nothing where they can't be told apart. */
  weights(): Float64Array | undefined {
    const { size } = this;
    const lower = this.normal.slice();
    for (let row = 0; row < size; row++) {
      lower[row * size + row] = (lower[row * size + row] ?? 0) + (this.ridge[row] ?? 0);
      for (let column = 0; column <= row; column++) {
        let sum = lower[row * size + column] ?? 0;
        for (let inner = 0; inner < column; inner++)
          sum -= (lower[row * size + inner] ?? 0) * (lower[column * size + inner] ?? 0);
        if (row !== column) lower[row * size + column] = sum / (lower[column * size + column] ?? 1);
        else if (sum <= 1e-12) return undefined;
        else lower[row * size + row] = Math.sqrt(sum);
      }
    }
    const weights = this.right.slice();
    for (let row = 0; row < size; row++) {
      let sum = weights[row] ?? 0;
      for (let inner = 0; inner < row; inner++)
        sum -= (lower[row * size + inner] ?? 0) * (weights[inner] ?? 0);
      weights[row] = sum / (lower[row * size + row] ?? 1);
    }
    for (let row = size - 1; row >= 0; row--) {
      let sum = weights[row] ?? 0;
      for (let inner = row + 1; inner < size; inner++)
        sum -= (lower[inner * size + row] ?? 0) * (weights[inner] ?? 0);
      weights[row] = sum / (lower[row * size + row] ?? 1);
    }
    return weights;
  }

  /** Root of the mean squared residual that these weights leave. */
  residual(weights: Float64Array): number {
    let sum = this.squares;
    for (let row = 0; row < this.size; row++) {
      sum -= 2 * (weights[row] ?? 0) * (this.right[row] ?? 0);
      for (let column = 0; column < this.size; column++) {
        const cell = Math.max(row, column) * this.size + Math.min(row, column);
        sum += (weights[row] ?? 0) * (weights[column] ?? 0) * (this.normal[cell] ?? 0);
      }
    }
    return Math.sqrt(Math.max(0, sum) / Math.max(1, this.count));
  }
}
