import { format } from "./format.ts";
import type { System } from "./units.ts";

const FIGURE =
  /((?:by|within)\s)?([-−]?\d+(?:[.,]\d+)?)\s?°C(?=(\s(?:apart|above|below|a minute|either way|under|over|hot|cold|tolerance)\b)?)/g;

/** The first figure of a range has no unit of its own: it is the last one's. */
const RANGE = /(outside [-−]?\d+(?:[.,]\d+)?)( to [-−]?\d+(?:[.,]\d+)?\s?°C)/g;

/** A degree of difference: 5 °C apart is 9 °F apart, not 41. */
const PER_CELSIUS = 1.8;

/**
 * A sentence written in °C with its temperatures as a shop reads them: left as it is for a metric one, for a US one each
 * figure in °F with the °C behind it. Differences (“4 °C above”, “by 5 °C”, “a minute”) are turned as differences.
 */
export function inShownTemperatures(text: string, system: System): string {
  if (system === "metric") return text;
  return text
    .replace(RANGE, "$1 °C$2")
    .replace(FIGURE, (whole, lead: string | undefined, figure: string, trail: string | undefined) => {
      const isDifference = lead !== undefined || trail !== undefined;
      const celsius = Number(figure.replace("−", "-").replace(",", "."));
      if (!Number.isFinite(celsius) || Math.abs(celsius) > 1000) return whole;
      const shown = isDifference
        ? `${Math.round(celsius * PER_CELSIUS)}\u00a0°F`
        : format(celsius, "temperature", "us");
      return `${lead ?? ""}${shown} (${figure}\u00a0°C)`;
    });
}
