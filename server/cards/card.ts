import { CARD_NAMES, type CoolingCard } from "../../core/trade/car/index.ts";
import type { CoolingCardRow } from "../database/models/cooling-card.ts";

/** What the shop's audit calls it. */
export const CARD_CHANGED = "card changed";

/** One field of a card, as it was and as it is. */
export interface CardChange {
  field: keyof CoolingCard;
  from: unknown;
  to: unknown;
}

/** A vehicle's cooling card as plain data. */
export const toCard = (row: CoolingCardRow): CoolingCard =>
  Object.fromEntries(CARD_NAMES.map((name) => [name, row[name]])) as unknown as CoolingCard;
