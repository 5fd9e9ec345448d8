/** Throws a `RangeError` with the figure and its range; a figure that isn't one is out of every range. */
export function inRange(figure: number, low: number, high: number, what: string): void {
  const unit = what.startsWith("°C") ? " °C" : "";
  if (!(figure >= low && figure <= high))
    throw new RangeError(`${figure} ${what} is outside ${low} to ${high}${unit}`);
}
