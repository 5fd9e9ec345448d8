import { alone } from "../../database/alone.ts";
import type { Desk } from "../../database/connection.ts";
import { addVehicle } from "../../subjects/vehicles/add-vehicle.ts";
import { openJob } from "./open-job.ts";

export interface Arrival {
  /** Made by the client, so that a second send is the same vehicle and the same job. */
  vehicleId: string;
  jobId: string;
  plate: string;
}

/**
 * A car on the yard with its plate and nothing else: the vehicle of that plate, or a new one of which nothing is known
 * yet, with a job on it. A job that is open on it is gone on with. Answers with the job's id.
 */
export async function takeIn(desk: Desk, { vehicleId, jobId, plate }: Arrival): Promise<string> {
  const { models, sequelize, transaction } = desk;
  await alone(desk, "vehicles");
  // A plate typed without its blank is the same car.
  const there = await models.Vehicle.findOne({
    where: sequelize.where(
      sequelize.fn("translate", sequelize.col("plate"), " -", ""),
      plate.replace(/[\s-]/g, ""),
    ),
    transaction,
  });
  if (!there)
    await addVehicle(desk, {
      id: vehicleId,
      plate,
      vin: null,
      name: "",
      use: "",
      distanceKm: null,
      card: null,
    });
  const id = there?.id ?? vehicleId;
  const open = await models.Job.findOne({ where: { vehicleId: id, signedAt: null }, transaction });
  if (open) return open.id;
  const { id: opened } = await openJob(desk, { id: jobId, vehicleId: id, bay: "", assignedTo: null });
  return opened;
}
