import { isDeepStrictEqual } from "node:util";
import type { CoolingCard } from "../../core/trade/car/index.ts";
import type { Desk } from "../database/connection.ts";
import { isId } from "../desk/is-id.ts";
import { notFound } from "../desk/refusal.ts";
import { CARD_CHANGED, type CardChange, toCard } from "./card.ts";

/** A figure shown in other units and written back is the same figure. */
const AS_SHOWN = 1e-5;

function isSame(before: unknown, after: unknown): boolean {
  if (typeof before === "number" && typeof after === "number")
    return Math.abs(before - after) <= AS_SHOWN * Math.max(1, Math.abs(before));
  if (Array.isArray(before) && Array.isArray(after))
    return before.length === after.length && before.every((each, index) => isSame(each, after[index]));
  return isDeepStrictEqual(before, after);
}

/**
 * Writes what is new onto a vehicle's cooling card and keeps each change with who made it, and in which job where it came
 * from one. A vehicle without a card gets its first only whole. Nothing is written where nothing changes.
 */
export async function changeCard(
  desk: Desk,
  vehicleId: string,
  change: Partial<CoolingCard>,
  jobId?: string,
): Promise<CardChange[]> {
  const { models, transaction, shopId, personId, now } = desk;
  const vehicle = isId(vehicleId)
    ? await models.Vehicle.findOne({ where: { id: vehicleId }, transaction, lock: true })
    : null;
  if (!vehicle || !personId) throw notFound("That vehicle");
  const card = await models.CoolingCard.findOne({ where: { vehicleId }, transaction, lock: true });
  const before: Partial<CoolingCard> = card ? toCard(card) : {};
  const changes = (Object.keys(change) as (keyof CoolingCard)[])
    .filter((field) => !isSame(before[field], change[field]))
    .map((field) => ({ field, from: before[field] ?? null, to: change[field] ?? null }));
  if (changes.length === 0) return [];
  const changed = Object.fromEntries(changes.map(({ field }) => [field, change[field]]));
  if (card) await card.update(changed, { transaction });
  else await models.CoolingCard.create({ ...change, vehicleId, shopId }, { transaction });
  await models.Audit.create(
    {
      shopId,
      at: now,
      personId,
      what: CARD_CHANGED,
      about: { vehicleId, changes, ...(jobId ? { jobId } : {}) },
    },
    { transaction },
  );
  return changes;
}
