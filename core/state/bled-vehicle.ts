import type { Entry } from "../book/entry/index.ts";
import { type BleedingCard, type BleedingVehicle, bleedingVehicle } from "../trade/bleed/index.ts";
import { type CoolantCard, coolantLines, coolantState } from "./coolant.ts";

/**
 * How a job's car is bled: by its card, the shop's altitude, and by what is in it now. What may be water in it boils as water does.
 */
export function bledVehicle(
  entries: readonly Entry[],
  card: (BleedingCard & CoolantCard) | null | undefined,
  shopM?: number | null,
): BleedingVehicle {
  if (!card) return bleedingVehicle(card, shopM);
  const hasMoved = coolantLines(entries).length > 0;
  return bleedingVehicle(card, shopM, hasMoved ? coolantState(entries, card).fraction.low : undefined);
}
