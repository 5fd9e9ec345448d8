import { type Dimension, SHOWN, type System, UNITS } from "./units.ts";

export interface Shown {
  figure: string;
  unit: string;
}

const NARROW_SPACE = "\u202f";
const MINUS = "\u2212";

function group(figure: string): string {
  const [whole = "", decimals] = figure.split(".");
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, NARROW_SPACE) : whole;
  return decimals === undefined ? grouped : `${grouped}.${decimals}`;
}

/** A value in the unit a system shows it in, as a plain number. Throws `RangeError` for a value that is no number. */
export function toShown(value: number, dimension: Dimension, system: System): number {
  if (!Number.isFinite(value)) throw new RangeError(`${value} is not a ${dimension} that can be shown`);
  const unit = UNITS[SHOWN[dimension][system].key];
  if (!unit) throw new RangeError(`no unit is shown for ${dimension}`);
  return (value - (unit.offset ?? 0)) / unit.factor;
}

/** A figure typed in a system's shown unit, in core units; the inverse of `toShown`. */
export function fromShown(figure: number, dimension: Dimension, system: System): number {
  const unit = UNITS[SHOWN[dimension][system].key];
  if (!unit || !Number.isFinite(figure)) throw new RangeError(`${figure} is not a ${dimension}`);
  return figure * unit.factor + (unit.offset ?? 0);
}

/**
 * Figure and unit of a core value in a display system, apart, so that a screen can set the unit smaller.
 * `decimals` overrides how many are shown. Throws `RangeError` for a value that is no finite number.
 */
export function formatParts(value: number, dimension: Dimension, system: System, decimals?: number): Shown {
  const { label, decimals: usual } = SHOWN[dimension][system];
  const places = decimals ?? usual;
  const rounded = toShown(value, dimension, system).toFixed(places);
  const tidy = decimals === undefined && rounded.includes(".") ? rounded.replace(/(\.\d+)0$/, "$1") : rounded;
  const plain = Number(tidy) === 0 ? tidy.replace("-", "") : tidy;
  return {
    figure: group(plain.replace("-", "")).replace(/^/, plain.startsWith("-") ? MINUS : ""),
    unit: label,
  };
}

/**
 * A core value as a person in that system reads it, unit behind the figure.
 * @example format(4.921, "volume", "us") // "5.2 qt"
 */
export function format(value: number, dimension: Dimension, system: System, decimals?: number): string {
  const { figure, unit } = formatParts(value, dimension, system, decimals);
  return unit === "%" ? `${figure}\u00a0%` : `${figure}\u00a0${unit}`;
}

/** A temperature in the shop's own unit with the other behind it, for parts stamped in one and read in the other. */
export function formatBothTemperatures(celsius: number, system: System): string {
  const other = system === "metric" ? "us" : "metric";
  return `${format(celsius, "temperature", system)} (${format(celsius, "temperature", other)})`;
}
