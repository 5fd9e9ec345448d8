/** Lets a length in mm through, else throws `RangeError` with the figure and its range. */
export function millimetres(figure: number, low: number, high: number, what: string): number {
  if (!(figure >= low && figure <= high))
    throw new RangeError(`${figure} mm is no ${what}: ${low} to ${high} mm is.`);
  return figure;
}

/** A length as it is said: to a tenth of a mm where it isn't whole. */
export const mm = (figure: number): string => `${Number(figure.toFixed(1))} mm`;
