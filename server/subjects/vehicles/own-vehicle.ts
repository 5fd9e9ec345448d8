import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound } from "../../desk/refusal.ts";

/** Whose a vehicle is; both empty where nobody has said, or where they were forgotten. */
export interface Owner {
  name: string;
  phone: string;
}

/**
 * Writes down whose a vehicle is, or forgets it where both are empty. The audit says who did it and never what: what is forgotten
 * stands nowhere in the shop's books any more. Throws `Refusal` where there is no such vehicle in this shop.
 */
export async function ownVehicle(
  { models, transaction, shopId, personId, now }: Desk,
  vehicleId: string,
  { name, phone }: Owner,
): Promise<void> {
  const vehicle = isId(vehicleId)
    ? await models.Vehicle.findOne({ where: { id: vehicleId }, transaction, lock: true })
    : null;
  if (!vehicle || !personId) throw notFound("That vehicle");
  await vehicle.update({ ownerName: name || null, ownerPhone: phone || null }, { transaction });
  const what = name || phone ? "vehicle's owner written" : "vehicle's owner forgotten";
  await models.Audit.create({ shopId, at: now, personId, what, about: { vehicleId } }, { transaction });
}
