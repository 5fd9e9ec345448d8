import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound, Refusal } from "../../desk/refusal.ts";
import { takeNumber } from "./take-number.ts";

export interface NewJob {
  /** Made by the client, so that a second send opens the same job. */
  id: string;
  vehicleId: string;
  bay: string;
  assignedTo: string | null;
}

/** Opens a job on a vehicle under the shop's next number. A vehicle has one open job at a time. */
export async function openJob(desk: Desk, job: NewJob) {
  const { models, transaction, shopId, personId, now } = desk;
  const vehicle =
    isId(job.vehicleId) &&
    (await models.Vehicle.findOne({ where: { id: job.vehicleId }, transaction, lock: true }));
  if (!vehicle || !personId) throw notFound("That vehicle");
  const same = await models.Job.findOne({ where: { id: job.id }, transaction });
  if (same && same.vehicleId !== job.vehicleId)
    throw new Refusal({
      status: 409,
      message: `Job ${same.number} was opened under that id on another vehicle. Load the page again.`,
    });
  if (same) return { id: same.id, number: same.number };
  const open = await models.Job.findOne({ where: { vehicleId: job.vehicleId, signedAt: null }, transaction });
  if (open) {
    throw new Refusal({
      status: 409,
      message: `Job ${open.number} is still open on ${vehicle.plate}. Go on with it, or sign it first.`,
    });
  }
  if (
    job.assignedTo &&
    !(isId(job.assignedTo) && (await models.Person.findOne({ where: { id: job.assignedTo }, transaction })))
  ) {
    throw new Refusal({ message: "", fields: { assignedTo: "Nobody of this shop. Choose from the list." } });
  }
  const number = await takeNumber(desk);
  await models.Job.create({ ...job, shopId, number, openedBy: personId, openedAt: now }, { transaction });
  return { id: job.id, number };
}
