import { type Base, checkBase, within } from "./base.ts";

const KELVIN = 273.15;
const KPA_PER_BAR = 100;

/** Antoine's constants, log10 of bar over kelvin; g/mol; kg/L at 20 °C. Source: NIST Chemistry WebBook. */
const GLYCOL: Record<Base, { a: number; b: number; c: number; molar: number; density: number }> = {
  ethylene: { a: 4.97012, b: 1914.951, c: -84.996, molar: 62.068, density: 1.1135 },
  propylene: { a: 6.07936, b: 2692.187, c: -17.94, molar: 76.094, density: 1.0361 },
};
const WATER = { molar: 18.015, density: 0.9982 };

/** Critical point of water and the constants of its saturation line: Wagner and Pruß, 1993 (IAPWS). */
const CRITICAL = { kelvin: 647.096, kPa: 22_064 };
const SATURATION: readonly (readonly [factor: number, power: number])[] = [
  [-7.85951783, 1],
  [1.84408259, 1.5],
  [-11.7866497, 3],
  [22.6807411, 3.5],
  [-15.9618719, 4],
  [1.80122502, 7.5],
];

/** Vapour pressure of pure water, kPa absolute, by °C. Source: IAPWS, Wagner and Pruß, 1993. */
export function waterVapourKPa(celsius: number): number {
  const kelvin = celsius + KELVIN;
  const tau = 1 - kelvin / CRITICAL.kelvin;
  const sum = SATURATION.reduce((total, [factor, power]) => total + factor * tau ** power, 0);
  return CRITICAL.kPa * Math.exp((CRITICAL.kelvin / kelvin) * sum);
}

function moleFraction(base: Base, fraction: number): number {
  const glycol = (fraction * GLYCOL[base].density) / GLYCOL[base].molar;
  const water = ((1 - fraction) * WATER.density) / WATER.molar;
  return glycol / (glycol + water);
}

/** Pressure of the vapour above a mix, kPa absolute: Raoult's law over water's and glycol's own. */
export function vapourKPa(base: Base, fraction: number, celsius: number): number {
  const { a, b, c } = GLYCOL[base];
  const glycolKPa = KPA_PER_BAR * 10 ** (a - b / (celsius + KELVIN + c));
  const share = moleFraction(base, fraction);
  return share * glycolKPa + (1 - share) * waterVapourKPa(celsius);
}

const COLDEST_C = 0;
const HOTTEST_C = 300;

/**
 * Where a mix boils, °C, by its share of glycol by volume, 0 to 1, under so many kPa absolute, 20 to 600: Raoult's law
 * over the two vapour pressures, held against ASHRAE's normal boiling points (within 1.6 °C up to 0.68, water within
 * 0.1 °C). Throws `RangeError` outside.
 */
export function boilingPointC(base: Base, fraction: number, pressureKPa: number): number {
  checkBase(base);
  within(fraction, 0, 1, "share of glycol");
  within(pressureKPa, 20, 600, "pressure to boil under, in kPa absolute");
  let low = COLDEST_C;
  let high = HOTTEST_C;
  while (high - low > 1e-9) {
    const middle = (low + high) / 2;
    if (vapourKPa(base, fraction, middle) < pressureKPa) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * Pressure of the air, kPa absolute, at so many metres above the sea, −500 to 11,000. Throws `RangeError` outside.
 * Source: ICAO standard atmosphere.
 */
export function atmosphereKPa(altitudeM: number): number {
  within(altitudeM, -500, 11_000, "altitude in metres");
  return 101.325 * (1 - (0.0065 * altitudeM) / 288.15) ** 5.255_877;
}

/**
 * Where a mix boils under a cap, °C, and how far the coolant is from it: `capGaugeKPa` over the air of that altitude, 0
 * to 300 (0 is a cap that doesn't hold). Throws `RangeError` on that outside its range, on a coolant outside −50 to
 * 200 °C, and where `boilingPointC` and `atmosphereKPa` do.
 */
export function boilMarginC(given: {
  base: Base;
  fraction: number;
  capGaugeKPa: number;
  altitudeM: number;
  coolantC: number;
}): { boilsC: number; marginC: number } {
  within(given.capGaugeKPa, 0, 300, "cap's rating in kPa gauge");
  within(given.coolantC, -50, 200, "temperature of coolant in °C");
  const boilsC = boilingPointC(
    given.base,
    given.fraction,
    atmosphereKPa(given.altitudeM) + given.capGaugeKPa,
  );
  return { boilsC, marginC: boilsC - given.coolantC };
}
