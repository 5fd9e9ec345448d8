import { type Base, checkBase, within } from "./base.ts";
import { fractionFromFreezePoint } from "./freeze.ts";

export const INSTRUMENTS = ["refractometer", "float"] as const;
export type Instrument = (typeof INSTRUMENTS)[number];

export interface InstrumentReading {
  instrument: Instrument;
  /** The glycol that its scale is made for, and the one that it was dipped into. */
  madeFor: Base;
  base: Base;
  /** What its scale shows: where a mix of that glycol freezes, °C, or its share by volume, 0 to 1. */
  shows: { freezeC: number } | { fraction: number };
}

/** Refraction of light, sodium's line, at 20 °C. Source: CRC Handbook of Chemistry and Physics, physical constants. */
const BENDS: Record<Base | "water", number> = { water: 1.333, ethylene: 1.4318, propylene: 1.4324 };
/** Lorentz and Lorenz: what adds up by the volumes of what is mixed. */
const adds = (bends: number) => (bends ** 2 - 1) / (bends ** 2 + 2);
const overWater = (base: Base) => adds(BENDS[base]) - adds(BENDS.water);

const NAMES: Record<Base, string> = { ethylene: "ethylene glycol", propylene: "propylene glycol" };

/**
 * The share of glycol by volume, 0 to 1, by what an instrument shows, corrected for the glycol that its scale is made
 * for. Both glycols bend light nearly alike, so that a refractometer's share holds for either and its freezing scale for one;
 * a float weighs, and what the one glycol weighs says nothing of the other.
 * @throws RangeError for a figure that no mix has, and for a float in a glycol that it isn't made for
 */
export function fractionByInstrument({ instrument, madeFor, base, shows }: InstrumentReading): number {
  checkBase(madeFor);
  checkBase(base);
  if (instrument === "float" && madeFor !== base)
    throw new RangeError(
      `A float made for ${NAMES[madeFor]} weighs that one: what it shows in ${NAMES[base]} is neither its share nor where it freezes. Take a refractometer.`,
    );
  const onScale =
    "freezeC" in shows
      ? fractionFromFreezePoint(madeFor, shows.freezeC)
      : within(shows.fraction, 0, 1, "share of glycol");
  return Math.min(1, (onScale * overWater(madeFor)) / overWater(base));
}
