/**
 * Labels in the order of their heights, each with `at`, where it may stand so that no two are nearer than `apart`: pushed down
 * as little as that takes. Units of the drawing.
 * @example pushedApart([{ y: 10 }, { y: 12 }], 8) // at 10 and at 18
 */
export function pushedApart<Label extends { y: number }>(
  labels: readonly Label[],
  apart: number,
): (Label & { at: number })[] {
  let last = Number.NEGATIVE_INFINITY;
  return [...labels]
    .sort((a, b) => a.y - b.y)
    .map((label) => {
      last = Math.max(label.y, last + apart);
      return { ...label, at: last };
    });
}
