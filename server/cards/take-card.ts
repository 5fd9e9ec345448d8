import type { Desk } from "../database/connection.ts";
import { isId } from "../desk/is-id.ts";
import { notFound, Refusal } from "../desk/refusal.ts";
import { toCard } from "./card.ts";
import { changeCard } from "./change-card.ts";

/** The vehicle of the same model whose own card was written down last; nothing where there is none. */
export async function cardOfModel(
  { sequelize, transaction }: Desk,
  vehicleId: string,
): Promise<{ id: string; plate: string } | null> {
  const [[row]] = (await sequelize.query(
    `SELECT car.id, car.plate FROM vehicles own
     JOIN vehicles car ON car.shop_id = own.shop_id AND lower(car.name) = lower(own.name) AND car.id <> own.id
     JOIN cooling_cards card ON card.shop_id = car.shop_id AND card.vehicle_id = car.id AND card.taken_from IS NULL
     WHERE own.id = $1 AND own.name <> '' ORDER BY car.plate LIMIT 1`,
    { bind: [vehicleId], transaction },
  )) as [{ id: string; plate: string }[], unknown];
  return row ?? null;
}

/** Gives a vehicle without a card that of another of the same model, marked as such until somebody has looked at it. */
export async function takeCard(desk: Desk, vehicleId: string): Promise<void> {
  const { models, transaction } = desk;
  const vehicle = isId(vehicleId)
    ? await models.Vehicle.findOne({ where: { id: vehicleId }, transaction })
    : null;
  if (!vehicle) throw notFound("That vehicle");
  if (await models.CoolingCard.findOne({ where: { vehicleId }, transaction }))
    throw new Refusal({ status: 409, message: "This vehicle has a card already. Change that one." });
  const from = await cardOfModel(desk, vehicleId);
  const card = from && (await models.CoolingCard.findOne({ where: { vehicleId: from.id }, transaction }));
  if (!from || !card)
    throw new Refusal({ status: 409, message: "No other vehicle of this model has a card. Write it down." });
  await changeCard(desk, vehicleId, toCard(card));
  await models.CoolingCard.update({ takenFrom: from.plate }, { where: { vehicleId }, transaction });
}

/** Somebody has looked: the card that came from another vehicle is this one's own. Kept in the audit with who looked. */
export async function ownCard(
  { models, transaction, shopId, personId, now }: Desk,
  vehicleId: string,
): Promise<void> {
  const card = isId(vehicleId)
    ? await models.CoolingCard.findOne({ where: { vehicleId }, transaction })
    : null;
  if (!card) throw notFound("That vehicle's card");
  if (card.takenFrom === null) return;
  await models.Audit.create(
    { shopId, at: now, personId, what: "card looked at", about: { vehicleId, takenFrom: card.takenFrom } },
    { transaction },
  );
  await card.update({ takenFrom: null }, { transaction });
}
