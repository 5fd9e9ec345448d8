import type { CoolingCard } from "../../core/trade/car/index.ts";
import type { CoolingCard as CardRow } from "../database/models/cooling-card.ts";

/** What the shop's audit calls it. */
export const CARD_CHANGED = "card changed";

/** One field of a card, as it was and as it is. */
export interface CardChange {
  field: keyof CoolingCard;
  from: unknown;
  to: unknown;
}

/** A vehicle's cooling card as plain data. */
export const toCard = (card: CardRow): CoolingCard => ({
  capacityL: card.capacityL,
  coolantKind: card.coolantKind,
  coolantProduct: card.coolantProduct,
  coolantApproval: card.coolantApproval,
  targetFraction: card.targetFraction,
  capGaugeKpa: card.capGaugeKpa,
  thermostatOpensC: card.thermostatOpensC,
  circuit: card.circuit,
  fanOnC: card.fanOnC,
  fanOffC: card.fanOffC,
  fanSenses: card.fanSenses,
  fillPoint: card.fillPoint,
  bleedPoints: card.bleedPoints,
  oilCooler: card.oilCooler,
  sensorCurve: card.sensorCurve,
});
