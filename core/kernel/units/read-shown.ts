import { typedFigure } from "../csv/index.ts";
import { fromShown } from "./format.ts";
import { parseQuantity } from "./parse-quantity.ts";
import type { Dimension, System } from "./units.ts";

/**
 * Reads a figure as it is typed into a field, into core units: a bare one in the unit that the shop is shown, any other by
 * its own unit. Nothing where it is no figure, or one of another kind: 50 °C are no litres.
 */
export function readShown(text: string, dimension: Dimension, system: System): number | undefined {
  const bare = typedFigure(text);
  if (bare !== undefined) return fromShown(bare, dimension, system);
  try {
    const read = parseQuantity(text.trim().replace("−", "-"));
    return read.dimension === dimension ? read.value : undefined;
  } catch {
    return undefined;
  }
}
