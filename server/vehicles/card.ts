import type { CoolingCard } from "../database/models/cooling-card.ts";
import type { CardInput } from "./add-vehicle.ts";

/** What the shop's audit calls it. */
export const CARD_CHANGED = "card changed";

/** One field of a card, as it was and as it is. */
export interface CardChange {
  field: keyof CardInput;
  from: unknown;
  to: unknown;
}

/** A vehicle's cooling card as plain data. */
export function toCard(card: CoolingCard): CardInput {
  const { capacityL, coolantKind, coolantProduct, coolantApproval, targetFraction, capGaugeKpa } = card;
  const {
    thermostatOpensC,
    circuit,
    fanOnC,
    fanOffC,
    fanSenses,
    fillPoint,
    bleedPoints,
    oilCooler,
    sensorCurve,
  } = card;
  return {
    capacityL,
    coolantKind,
    coolantProduct,
    coolantApproval,
    targetFraction,
    capGaugeKpa,
    thermostatOpensC,
    circuit,
    fanOnC,
    fanOffC,
    fanSenses,
    fillPoint,
    bleedPoints,
    oilCooler,
    sensorCurve,
  };
}
