import type { CoolReading, PlaceRead } from "../../trade/bleed/index.ts";
import type { Entry } from "../entry/index.ts";

const MS = 1000;
/** Outside it nothing was read; an open sensor shows the coldest, and is judged by that. */
const COLDEST_C = -40;
const HOTTEST_C = 200;

/** What a temperature was read at, by the name of its line. */
const READ_AT: Readonly<Record<string, PlaceRead>> = {
  "coolant sensor": "engine",
  "radiator sensor": "radiator",
  "thermostat housing": "surface",
};

/** A line of the book that may open a cap by what was read: the name of what was read, by its place. */
export const READ_ITEMS: Readonly<Record<Exclude<PlaceRead, "unknown">, string>> = {
  engine: "coolant sensor",
  radiator: "radiator sensor",
  surface: "thermostat housing",
};

const isTemperature = ({ kind, unit, value }: Entry) =>
  kind === "reading" && unit === "°C" && value !== undefined;

/** A reading of the coolant's temperature as a line of the book has it, with its place; nothing where it is none. */
export function coolReadingOf(entry: Entry): CoolReading | undefined {
  const item = entry.item ?? "";
  const where = Object.hasOwn(READ_AT, item) ? READ_AT[item] : undefined;
  const { value = Number.NaN } = entry;
  return where && isTemperature(entry) && value >= COLDEST_C && value <= HOTTEST_C
    ? { atS: Date.parse(entry.at) / MS, coolantC: value, where }
    : undefined;
}

/** The air around the car, °C, where a line says it. */
export const roomOf = (entry: Entry): number | undefined =>
  entry.item === "room" && isTemperature(entry) && (entry.value ?? 0) >= -40 && (entry.value ?? 0) <= 60
    ? entry.value
    : undefined;
