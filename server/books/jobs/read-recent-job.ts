import { Op } from "sequelize";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";

/** Work older than this has shown what it left behind. */
const RECENT_DAYS = 120;
const DAY_MS = 86_400_000;

export interface RecentJob {
  id: string;
  number: number;
  daysBefore: number;
}

/** The vehicle's last signed job, where it was signed within 120 days before this one was opened: recent work matters. */
export async function readRecentJob({ models, transaction }: Desk, jobId: string): Promise<RecentJob | null> {
  const job = isId(jobId) ? await models.Job.findOne({ where: { id: jobId }, transaction }) : null;
  if (!job) return null;
  const since = new Date(job.openedAt.getTime() - RECENT_DAYS * DAY_MS);
  const last = await models.Job.findOne({
    where: { vehicleId: job.vehicleId, signedAt: { [Op.between]: [since, job.openedAt] } },
    order: [["signedAt", "DESC"]],
    transaction,
  });
  if (!last?.signedAt) return null;
  const daysBefore = Math.round((job.openedAt.getTime() - last.signedAt.getTime()) / DAY_MS);
  return { id: last.id, number: last.number, daysBefore };
}
