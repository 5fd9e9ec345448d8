export { format, formatBothTemperatures, formatParts, fromShown, type Shown, toShown } from "./format.ts";
export { parseQuantity } from "./parse-quantity.ts";
export { inShownTemperatures } from "./shown-temperatures.ts";
export { type Dimension, SHOWN, type System } from "./units.ts";
