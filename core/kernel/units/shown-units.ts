import { format } from "./format.ts";
import { inShownTemperatures } from "./shown-temperatures.ts";
import type { Dimension, System } from "./units.ts";

const FIGURE = /([-−]?\d+(?:\.\d+)?)[ \u00a0](L|kPa|km)\b/g;
const DIMENSIONS: Record<string, Dimension> = { L: "volume", kPa: "pressure", km: "distance" };

/**
 * A sentence written in core units as a shop reads it: left as it is for a metric one; for a US one litres, kilopascals and
 * kilometres in its own units, and temperatures as `inShownTemperatures` has them.
 */
export function inShownUnits(text: string, system: System): string {
  if (system === "metric") return text;
  return inShownTemperatures(text, system).replace(FIGURE, (whole, figure: string, unit: string) => {
    const dimension = DIMENSIONS[unit];
    return dimension ? format(Number(figure.replace("−", "-")), dimension, system) : whole;
  });
}
