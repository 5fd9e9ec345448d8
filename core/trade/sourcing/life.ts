type Life = { medianDays: number; shape: number };

/**
 * The share of parts that have failed by `days` (0 and up): the Weibull distribution told by its median, 1 − 2^(−(t/m)^k),
 * which is 1 − exp(−(t/λ)^k) with λ = m / (ln 2)^(1/k).
 */
export const failedBy = (days: number, { medianDays, shape }: Life): number =>
  days <= 0 ? 0 : 1 - 2 ** -((days / medianDays) ** shape);

/** The age at which a part fails whose share (0 to 1) of all outlives it: the other way round. */
export const failsAt = (share: number, { medianDays, shape }: Life): number =>
  medianDays * (-Math.log2(share)) ** (1 / shape);
