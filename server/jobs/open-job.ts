import type { Desk } from "../database/connection.ts";
import { notFound, Refusal } from "../refusal.ts";
import { isId } from "../vehicles/read-vehicle.ts";

export interface NewJob {
  /** Made by the client, so that a second send opens the same job. */
  id: string;
  vehicleId: string;
  bay: string;
  assignedTo: string | null;
}

/** Opens a job on a vehicle under the shop's next number. A vehicle has one open job at a time. */
export async function openJob({ models, sequelize, transaction, shopId, personId, now }: Desk, job: NewJob) {
  const vehicle =
    isId(job.vehicleId) &&
    (await models.Vehicle.findOne({ where: { id: job.vehicleId }, transaction, lock: true }));
  if (!vehicle || !personId) throw notFound("That vehicle");
  const same = await models.Job.findOne({ where: { id: job.id }, transaction });
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
  const [[counter]] = await sequelize.query(
    "UPDATE shops SET last_job_number = last_job_number + 1 WHERE id = $1 RETURNING last_job_number",
    {
      bind: [shopId],
      transaction,
    },
  );
  const number = (counter as { last_job_number: number }).last_job_number;
  await models.Job.create({ ...job, shopId, number, openedBy: personId, openedAt: now }, { transaction });
  return { id: job.id, number };
}
