/** The middle one of figures that stand in order; between the two in the middle where they are even. */
export const medianOfSorted = (sorted: Float64Array): number => {
  const middle = sorted.length / 2;
  return Number.isInteger(middle)
    ? ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2
    : (sorted[Math.floor(middle)] ?? 0);
};

/** The middle one of some figures; nothing of none. */
export const medianOf = (figures: readonly number[]): number | undefined =>
  figures.length === 0 ? undefined : medianOfSorted(Float64Array.from(figures).sort());
