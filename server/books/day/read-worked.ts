import { QueryTypes } from "sequelize";
import { lastFact, ReadyPromised } from "../../../core/book/facts/index.ts";
import { summedUp, type WorkedJob, workedOn } from "../../../core/stages/day/index.ts";
import type { Spread } from "../../../core/trade/schedule/index.ts";
import type { Desk } from "../../database/connection.ts";
import { readBooks } from "../../entries/read-books.ts";

/** What was longest ago is how the shop worked then. */
const MOST_JOBS = 80;

/** The last signed jobs that were worked here, with what their work took beside its estimate. */
export async function readWorked(desk: Desk): Promise<WorkedJob[]> {
  const jobs = await desk.sequelize.query<{ jobId: string; number: number; model: string; signedAt: Date }>(
    `SELECT j.id AS "jobId", j.number, v.name AS model, j.signed_at AS "signedAt" FROM jobs j
       JOIN vehicles v ON v.shop_id = j.shop_id AND v.id = j.vehicle_id
      WHERE j.signed_at IS NOT NULL AND j.origin IS NULL ORDER BY j.signed_at DESC LIMIT ${MOST_JOBS}`,
    { type: QueryTypes.SELECT, transaction: desk.transaction },
  );
  const books = await readBooks(
    desk,
    jobs.map(({ jobId }) => jobId),
  );
  return jobs.map(({ signedAt, ...job }) => {
    const entries = books.get(job.jobId) ?? [];
    const at = lastFact(entries, ReadyPromised)?.fact.at;
    return {
      ...job,
      worked: workedOn(entries),
      ...(at !== undefined && { told: { at, signedAt: signedAt.toISOString() } }),
    };
  });
}

/** How far the work of each stage spreads in this shop; a stage of which there is too little to say is left out. */
export const spreadsOf = (jobs: readonly WorkedJob[]): Record<string, Spread> =>
  Object.fromEntries(
    summedUp(jobs).flatMap(({ stage, spread }) => (spread ? [[stage, spread] as const] : [])),
  );
