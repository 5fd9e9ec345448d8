import type { BleedingVehicle } from "./methods.ts";

/** Nobody has said how high the shop lies: with a cap off a limit that holds on a pass is right below it too. */
const HIGH_SHOP_M = 1000;

/** The part of a cooling card that says how its car is bled. */
export interface BleedingCard {
  fillPoint: string;
  bleedPoints: string;
  fanOnC: readonly number[];
  targetFraction: number;
}

/** What a vehicle's card says of how it is bled, in a shop at this altitude, metres; nothing without one. */
export const bleedingVehicle = (
  card: BleedingCard | null | undefined,
  shopM?: number | null,
  /** Share of glycol of what is in it now; the card's own where nobody says. */
  fraction: number | undefined = card?.targetFraction,
): BleedingVehicle => {
  const altitudeM = shopM ?? HIGH_SHOP_M;
  if (!card) return { altitudeM };
  const { fillPoint, bleedPoints, fanOnC, targetFraction } = card;
  return { fillPoint, bleedPoints, fanOnC, fraction: fraction ?? targetFraction, altitudeM };
};
