import { type Base, checkBase, within } from "./base.ts";
import { DENSITY, DENSITY_AT_C } from "./table.ts";

/** Cubic expansion of pure propylene glycol, per °C, about room temperature to 90 °C. Source: maker-independent handbooks. */
const PROPYLENE_PER_C = 7.3e-4;

/** Between the two nearest of ascending places, or straight on from the last two. */
function straight(places: readonly number[], values: readonly number[], at: number): number {
  const after = places.findIndex((place) => place >= at);
  const to = after < 0 ? places.length - 1 : Math.max(1, after);
  const [fromX, toX] = [places[to - 1] ?? 0, places[to] ?? 1];
  const [fromY, toY] = [values[to - 1] ?? 0, values[to] ?? 0];
  return fromY + ((toY - fromY) * (at - fromX)) / (toX - fromX);
}

function relativeDensity(fraction: number, celsius: number): number {
  const shares = DENSITY.map(([share]) => share);
  const atShare = DENSITY.map(([, ...densities]) => straight(DENSITY_AT_C, densities, celsius));
  return straight(shares, atShare, fraction);
}

/**
 * How much a mix swells, litres, from one temperature to another (less than nothing where it cools), −40 to 130 °C, by
 * its share of glycol, 0 to 1. Ethylene glycol from ASHRAE's densities (0.30 and 0.50, and water; straight beyond and
 * between); propylene glycol, for which there is no table here, as so much glycol and so much water each swelling by
 * itself, which for ethylene comes within a tenth of a per cent of the table. Throws `RangeError` outside.
 */
export function expansionL(given: {
  base: Base;
  fraction: number;
  litres: number;
  fromC: number;
  toC: number;
}): number {
  checkBase(given.base);
  within(given.fraction, 0, 1, "share of glycol");
  within(given.litres, 0, 500, "number of litres");
  within(given.fromC, -40, 130, "temperature in °C");
  within(given.toC, -40, 130, "temperature in °C");
  const swells = (fraction: number) =>
    relativeDensity(fraction, given.fromC) / relativeDensity(fraction, given.toC) - 1;
  if (given.base === "ethylene") return given.litres * swells(given.fraction);
  const glycol = PROPYLENE_PER_C * (given.toC - given.fromC);
  return given.litres * (given.fraction * glycol + (1 - given.fraction) * swells(0));
}
