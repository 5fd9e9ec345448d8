import { fromShown } from "./format.ts";
import { parseQuantity } from "./parse-quantity.ts";
import type { Dimension, System } from "./units.ts";

const BARE = /^[-−]?\d+(?:[.,]\d+)?$/;

/** A figure that is typed without a unit; nothing where it is something else. */
export function bareShown(text: string): number | undefined {
  const clean = text.trim().replace("−", "-");
  return BARE.test(clean) ? Number(clean.replace(",", ".")) : undefined;
}

/**
 * Reads a figure as it is typed into a field, into core units: a bare one in the unit that the shop is shown, any other by
 * its own unit. Nothing where it is no figure, or one of another kind: 50 °C are no litres.
 */
export function readShown(text: string, dimension: Dimension, system: System): number | undefined {
  const bare = bareShown(text);
  if (bare !== undefined) return fromShown(bare, dimension, system);
  try {
    const read = parseQuantity(text.trim().replace("−", "-"));
    return read.dimension === dimension ? read.value : undefined;
  } catch {
    return undefined;
  }
}
