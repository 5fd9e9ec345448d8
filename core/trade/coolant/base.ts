/** What the antifreeze is made of. */
export type Base = "ethylene" | "propylene";

/** A coolant as it is bought: `fraction` is its share of glycol by volume, 1 in a concentrate, 0.5 in a ready-mixed one. */
export interface Product {
  base: Base;
  fraction: number;
}

/** Lets a figure through that lies between two, else throws `RangeError` with it and its range. */
export function within(figure: number, low: number, high: number, what: string): number {
  if (!(figure >= low && figure <= high))
    throw new RangeError(`${figure} is no ${what}: ${low} to ${high} is.`);
  return figure;
}

export function checkBase(base: Base): void {
  if (base !== "ethylene" && base !== "propylene")
    throw new RangeError(`“${String(base)}” is no base of a coolant: ethylene or propylene is.`);
}

/** Lets a sound product through, else throws `RangeError`. */
export function checkProduct({ base, fraction }: Product): void {
  checkBase(base);
  if (!(fraction > 0 && fraction <= 1))
    throw new RangeError(`${fraction} is no share of glycol in a product: over 0 to 1 is.`);
}
