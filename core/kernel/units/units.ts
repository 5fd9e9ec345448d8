/** What a quantity measures. Values of each are kept in the core unit named beside it. */
export type Dimension =
  | "temperature" // °C
  | "volume" // litres
  | "pressure" // kPa
  | "length" // mm
  | "torque" // N·m
  | "distance" // km
  | "fraction" // 0 to 1
  | "revs" // 1/min
  | "voltage" // V
  | "resistance" // Ω
  | "current"; // A

export type System = "metric" | "us";

export interface Unit {
  dimension: Dimension;
  /** Core value = figure × factor + offset. */
  factor: number;
  offset?: number;
}

const US_QUART_L = 0.946352946;
const US_GALLON_L = 3.785411784;
const IMPERIAL_GALLON_L = 4.54609;
const PSI_KPA = 6.894757293168;
const POUND_FOOT_NM = 1.3558179483314;
const MILE_KM = 1.609344;
const FAHRENHEIT = { dimension: "temperature", factor: 5 / 9, offset: -160 / 9 } as const;

/** Every spelling a person may type, lower case, spaces taken out. Factors: NIST SP 811, appendix B. */
export const UNITS: Record<string, Unit> = {
  "°c": { dimension: "temperature", factor: 1 },
  c: { dimension: "temperature", factor: 1 },
  degc: { dimension: "temperature", factor: 1 },
  "°f": FAHRENHEIT,
  f: FAHRENHEIT,
  degf: FAHRENHEIT,
  l: { dimension: "volume", factor: 1 },
  litre: { dimension: "volume", factor: 1 },
  litres: { dimension: "volume", factor: 1 },
  liter: { dimension: "volume", factor: 1 },
  liters: { dimension: "volume", factor: 1 },
  ml: { dimension: "volume", factor: 0.001 },
  cl: { dimension: "volume", factor: 0.01 },
  dl: { dimension: "volume", factor: 0.1 },
  millilitres: { dimension: "volume", factor: 0.001 },
  milliliters: { dimension: "volume", factor: 0.001 },
  pt: { dimension: "volume", factor: US_QUART_L / 2 },
  pint: { dimension: "volume", factor: US_QUART_L / 2 },
  pints: { dimension: "volume", factor: US_QUART_L / 2 },
  qt: { dimension: "volume", factor: US_QUART_L },
  qts: { dimension: "volume", factor: US_QUART_L },
  quart: { dimension: "volume", factor: US_QUART_L },
  quarts: { dimension: "volume", factor: US_QUART_L },
  gallon: { dimension: "volume", factor: US_GALLON_L },
  gallons: { dimension: "volume", factor: US_GALLON_L },
  gals: { dimension: "volume", factor: US_GALLON_L },
  usqt: { dimension: "volume", factor: US_QUART_L },
  gal: { dimension: "volume", factor: US_GALLON_L },
  usgal: { dimension: "volume", factor: US_GALLON_L },
  "imp.gal": { dimension: "volume", factor: IMPERIAL_GALLON_L },
  impgal: { dimension: "volume", factor: IMPERIAL_GALLON_L },
  kpa: { dimension: "pressure", factor: 1 },
  bar: { dimension: "pressure", factor: 100 },
  psi: { dimension: "pressure", factor: PSI_KPA },
  mm: { dimension: "length", factor: 1 },
  in: { dimension: "length", factor: 25.4 },
  inch: { dimension: "length", factor: 25.4 },
  '"': { dimension: "length", factor: 25.4 },
  n·m: { dimension: "torque", factor: 1 },
  nm: { dimension: "torque", factor: 1 },
  lb·ft: { dimension: "torque", factor: POUND_FOOT_NM },
  lbft: { dimension: "torque", factor: POUND_FOOT_NM },
  "lb-ft": { dimension: "torque", factor: POUND_FOOT_NM },
  km: { dimension: "distance", factor: 1 },
  mi: { dimension: "distance", factor: MILE_KM },
  miles: { dimension: "distance", factor: MILE_KM },
  "%": { dimension: "fraction", factor: 0.01 },
  rpm: { dimension: "revs", factor: 1 },
  "1/min": { dimension: "revs", factor: 1 },
  v: { dimension: "voltage", factor: 1 },
  volt: { dimension: "voltage", factor: 1 },
  volts: { dimension: "voltage", factor: 1 },
  mv: { dimension: "voltage", factor: 0.001 },
  a: { dimension: "current", factor: 1 },
  amp: { dimension: "current", factor: 1 },
  amps: { dimension: "current", factor: 1 },
  kohm: { dimension: "resistance", factor: 1000 },
  kohms: { dimension: "resistance", factor: 1000 },
  kω: { dimension: "resistance", factor: 1000 },
  ohm: { dimension: "resistance", factor: 1 },
  ohms: { dimension: "resistance", factor: 1 },
  Ω: { dimension: "resistance", factor: 1 },
  ω: { dimension: "resistance", factor: 1 },
};

/** The unit shown for each dimension in each system, and how many decimals a workshop reads. */
export const SHOWN: Record<Dimension, Record<System, { label: string; key: string; decimals: number }>> = {
  temperature: {
    metric: { label: "°C", key: "°c", decimals: 0 },
    us: { label: "°F", key: "°f", decimals: 0 },
  },
  volume: { metric: { label: "L", key: "l", decimals: 2 }, us: { label: "qt", key: "qt", decimals: 2 } },
  pressure: {
    metric: { label: "kPa", key: "kpa", decimals: 0 },
    us: { label: "psi", key: "psi", decimals: 1 },
  },
  length: { metric: { label: "mm", key: "mm", decimals: 1 }, us: { label: "in", key: "in", decimals: 3 } },
  torque: {
    metric: { label: "N·m", key: "n·m", decimals: 1 },
    us: { label: "lb·ft", key: "lb·ft", decimals: 1 },
  },
  distance: { metric: { label: "km", key: "km", decimals: 0 }, us: { label: "mi", key: "mi", decimals: 0 } },
  fraction: { metric: { label: "%", key: "%", decimals: 0 }, us: { label: "%", key: "%", decimals: 0 } },
  revs: { metric: { label: "rpm", key: "rpm", decimals: 0 }, us: { label: "rpm", key: "rpm", decimals: 0 } },
  voltage: { metric: { label: "V", key: "v", decimals: 2 }, us: { label: "V", key: "v", decimals: 2 } },
  resistance: {
    metric: { label: "Ω", key: "ohm", decimals: 0 },
    us: { label: "Ω", key: "ohm", decimals: 0 },
  },
  current: { metric: { label: "A", key: "a", decimals: 1 }, us: { label: "A", key: "a", decimals: 1 } },
};
