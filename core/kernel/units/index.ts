export { format, formatBothTemperatures, formatParts, fromShown, type Shown, toShown } from "./format.ts";
export { type MeantDegrees, mayBeOtherDegrees, meantDegrees } from "./meant-degrees.ts";
export { parseQuantity } from "./parse-quantity.ts";
export { readShown } from "./read-shown.ts";
export { inShownTemperatures } from "./shown-temperatures.ts";
export { inShownUnits } from "./shown-units.ts";
export { type Dimension, SHOWN, type System } from "./units.ts";
