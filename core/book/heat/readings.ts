import type { CoolReading } from "../../trade/bleed/index.ts";
import type { Entry } from "../entry/index.ts";
import { CoolantRead, factOf } from "../facts/index.ts";

const MS = 1000;
/** Outside it nothing was read; an open sensor shows the coldest, and is judged by that. */
const COLDEST_C = -40;
const HOTTEST_C = 200;

const isTemperature = ({ kind, unit, value }: Entry) =>
  kind === "reading" && unit === "°C" && value !== undefined;

/** What was read of the coolant, °C, and where; nothing where a line says none or one that can't be. */
function readOf(entry: Entry): { at: CoolantRead["at"]; celsius: number } | undefined {
  const said = isTemperature(entry) ? factOf(entry)?.fact : undefined;
  const { value: celsius = Number.NaN } = entry;
  return said instanceof CoolantRead && celsius >= COLDEST_C && celsius <= HOTTEST_C
    ? { at: said.at, celsius }
    : undefined;
}

/** A reading that a cool-down goes by, with its place; a hose's skin tells none, and nothing where a line has none. */
export function coolReadingOf(entry: Entry): CoolReading | undefined {
  const read = readOf(entry);
  return read && read.at !== "hose"
    ? { atS: Date.parse(entry.at) / MS, coolantC: read.celsius, where: read.at }
    : undefined;
}

/** How hot a hose's skin was read, °C: what flows in it is no colder. */
export function hoseReadC(entry: Entry): number | undefined {
  const read = readOf(entry);
  return read?.at === "hose" ? read.celsius : undefined;
}

/** The air around the car, °C, where a line says it. */
export const roomOf = (entry: Entry): number | undefined =>
  entry.item === "room" && isTemperature(entry) && (entry.value ?? 0) >= -40 && (entry.value ?? 0) <= 60
    ? entry.value
    : undefined;
