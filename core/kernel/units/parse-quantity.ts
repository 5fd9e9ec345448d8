import { type Dimension, UNITS } from "./units.ts";

const PATTERN = /^([-+−]?)(\d{1,3}(?:[\s\u00a0\u202f]\d{3})+|\d+)?(?:([.,])(\d+))?\s*(\D.*)?$/u;

/** Below this nothing is colder (BIPM, SI Brochure: 0 K). */
const ABSOLUTE_ZERO_C = -273.15;

/**
 * Reads a figure with its unit, as a person types it, into core units (°C, L, kPa, mm, N·m, km, fraction, rpm, V, Ω).
 *
 * Decimal comma or point, blanks between thousands, any spelling listed in `UNITS`. Throws `RangeError` where there
 * is no figure, no known unit, a temperature below absolute zero, or a comma that could be a thousands mark.
 * Factors: NIST SP 811.
 *
 * @example parseQuantity("5,2 qt") // { value: 4.921…, dimension: "volume" }
 */
export function parseQuantity(text: string): { value: number; dimension: Dimension } {
  const match = PATTERN.exec(text.trim());
  const [, sign, whole, mark, decimals, rest] = match ?? [];
  if (!match || (whole === undefined && decimals === undefined)) {
    throw new RangeError(`"${text}" is not a quantity: write a figure and a unit, such as 5.2 L`);
  }
  const spelling = rest?.toLowerCase().replace(/[\s\u00a0]/g, "") ?? "";
  const unit = Object.hasOwn(UNITS, spelling) ? UNITS[spelling] : undefined;
  if (!unit) {
    throw new RangeError(
      rest === undefined
        ? `"${text}" has no unit: write it behind the figure, such as 5.2 L`
        : `"${rest.trim()}" is not a unit known here: °C, °F, L, ml, qt, gal, kPa, bar, psi, mm, in, N·m, lb·ft, km, mi, %, rpm, V or ohm`,
    );
  }
  if (unit.dimension === "distance" && mark === "," && decimals?.length === 3) {
    throw new RangeError(`"${text}" could mean two distances: write it without the comma`);
  }
  const figure = Number(
    `${sign === "-" || sign === "−" ? "-" : ""}${(whole ?? "0").replace(/\D/g, "")}.${decimals ?? "0"}`,
  );
  const value = figure * unit.factor + (unit.offset ?? 0);
  if (!Number.isFinite(value)) throw new RangeError(`${text} is too large a figure`);
  if (unit.dimension === "temperature" && value < ABSOLUTE_ZERO_C) {
    throw new RangeError(`${text} is below absolute zero (${ABSOLUTE_ZERO_C} °C)`);
  }
  return { value, dimension: unit.dimension };
}
