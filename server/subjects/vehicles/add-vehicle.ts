import { UniqueConstraintError } from "sequelize";
import type { CoolingCard } from "../../../core/trade/car/index.ts";
import { alone } from "../../database/alone.ts";
import type { Desk } from "../../database/connection.ts";
import { Refusal } from "../../desk/refusal.ts";

export interface NewVehicle {
  id: string;
  plate: string;
  vin: string | null;
  name: string;
  use: string;
  distanceKm: number | null;
  card: CoolingCard | null;
}

/** Writes a vehicle with its cooling card into the shop's books. */
export async function addVehicle(
  { models, sequelize, transaction, shopId }: Desk,
  { card, ...vehicle }: NewVehicle,
): Promise<void> {
  await alone({ sequelize, transaction, shopId }, "vehicles");
  const same = await models.Vehicle.findOne({ where: { id: vehicle.id }, transaction });
  if (same && same.plate === vehicle.plate) return;
  if (same)
    throw new Refusal({
      status: 409,
      message: `${same.plate} was added from this form already. Load the page again for another one.`,
    });
  try {
    await models.Vehicle.create({ ...vehicle, firstDistanceKm: vehicle.distanceKm, shopId }, { transaction });
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    // Row security keeps the columns to itself; the constraint's name is all that is told.
    const { constraint = "" } = error.parent as { constraint?: string };
    const field = constraint.includes("plate") ? "plate" : "vin";
    throw new Refusal({
      message: "",
      fields: {
        [field]: `A vehicle with this ${field === "vin" ? "VIN" : "plate"} is in the books already.`,
      },
    });
  }
  if (card) await models.CoolingCard.create({ ...card, vehicleId: vehicle.id, shopId }, { transaction });
}
