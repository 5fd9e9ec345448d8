import type { Entry } from "../../core/book/entry/index.ts";
import { promisesOf } from "../../core/stages/plan/index.ts";
import type { Desk } from "../database/connection.ts";
import type { Job } from "../database/models/job.ts";

/** Lays a job's second looks beside its book as the book has them now, so that what is due is found without reading books. */
export async function followPromises(desk: Desk, job: Job, book: readonly Entry[]): Promise<void> {
  const { models, transaction, shopId } = desk;
  await models.FollowUpRow.destroy({ where: { jobId: job.id }, transaction });
  await models.FollowUpRow.bulkCreate(
    promisesOf(book).map(({ key, what, state, on, byKm, said, at, by }) => ({
      shopId,
      jobId: job.id,
      key,
      vehicleId: job.vehicleId,
      what,
      state,
      dueOn: on ?? null,
      dueKm: byKm ?? null,
      said: said ?? null,
      changedAt: new Date(at),
      changedBy: by,
    })),
    { transaction, returning: false },
  );
}
