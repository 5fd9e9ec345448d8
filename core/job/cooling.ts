import type { CoolReading } from "../bleed/index.ts";
import type { Entry } from "../ledger/index.ts";

const SENSOR = "coolant sensor";
const MS = 1000;
/** Outside it a sensor is open or short, and says nothing of the coolant. */
const COLDEST_C = -39;
const HOTTEST_C = 200;

/** A reading of the coolant's temperature as a line of the book has it, seconds and °C; nothing where it is none. */
export const coolReadingOf = (entry: Entry): CoolReading | undefined =>
  entry.kind === "reading" &&
  entry.item === SENSOR &&
  entry.unit === "°C" &&
  entry.value !== undefined &&
  entry.value >= COLDEST_C &&
  entry.value <= HOTTEST_C
    ? { atS: Date.parse(entry.at) / MS, coolantC: entry.value }
    : undefined;

/** What these lines of a book say of the coolant's temperature. */
export const coolingIn = (entries: readonly Entry[]): CoolReading[] =>
  entries.flatMap((entry) => coolReadingOf(entry) ?? []);
