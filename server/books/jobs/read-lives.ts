import { type PartLife, partLives } from "../../../core/stages/earlier-jobs/index.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { readBooks } from "../../entries/read-books.ts";

/** Every part that a job's vehicle was given by the jobs before it, newest first. */
export async function readLives(desk: Desk, jobId: string): Promise<PartLife[]> {
  const { models, transaction } = desk;
  const job = isId(jobId) ? await models.Job.findOne({ where: { id: jobId }, transaction }) : null;
  if (!job) return [];
  const jobs = await models.Job.findAll({
    where: { vehicleId: job.vehicleId },
    order: [["openedAt", "ASC"]],
    transaction,
  });
  const before = jobs.filter(({ id }) => id !== job.id).map(({ id }) => id);
  const books = await readBooks(desk, before);
  return partLives(before.map((id) => ({ jobId: id, entries: books.get(id) ?? [] })));
}
