import { UniqueConstraintError } from "sequelize";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound, Refusal } from "../../desk/refusal.ts";

/** Writes down what a vehicle is, once somebody knows: model, VIN, what it does. Kept in the audit with who said so. */
export async function identifyVehicle(
  { models, transaction, shopId, personId, now }: Desk,
  vehicleId: string,
  said: { name: string; vin: string | null; use: string },
): Promise<void> {
  const vehicle = isId(vehicleId)
    ? await models.Vehicle.findOne({ where: { id: vehicleId }, transaction, lock: true })
    : null;
  if (!vehicle || !personId) throw notFound("That vehicle");
  const before = { name: vehicle.name, vin: vehicle.vin, use: vehicle.use };
  // What is left open says nothing: somebody else may have written it down meanwhile.
  const known = { name: said.name || before.name, vin: said.vin ?? before.vin, use: said.use || before.use };
  try {
    await vehicle.update(known, { transaction });
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    throw new Refusal({ message: "", fields: { vin: "A vehicle with this VIN is in the books already." } });
  }
  await models.Audit.create(
    { shopId, at: now, personId, what: "vehicle identified", about: { vehicleId, from: before, to: known } },
    { transaction },
  );
}
