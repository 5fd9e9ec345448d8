import { QueryTypes } from "sequelize";
import { type Worked, workedOn } from "../../../core/stages/day/index.ts";
import { type Spread, spreadOf } from "../../../core/trade/schedule/index.ts";
import type { Desk } from "../../database/connection.ts";
import { readBooks } from "../../entries/read-books.ts";

/** What was longest ago is how the shop worked then. */
const MOST_JOBS = 80;

export interface WorkedJob {
  jobId: string;
  number: number;
  model: string;
  worked: Worked[];
}

/** The last signed jobs that were worked here, with what their work took beside its estimate. */
export async function readWorked(desk: Desk): Promise<WorkedJob[]> {
  const jobs = await desk.sequelize.query<{ jobId: string; number: number; model: string }>(
    `SELECT j.id AS "jobId", j.number, v.name AS model FROM jobs j
       JOIN vehicles v ON v.shop_id = j.shop_id AND v.id = j.vehicle_id
      WHERE j.signed_at IS NOT NULL AND j.origin IS NULL ORDER BY j.signed_at DESC LIMIT ${MOST_JOBS}`,
    { type: QueryTypes.SELECT, transaction: desk.transaction },
  );
  const books = await readBooks(
    desk,
    jobs.map(({ jobId }) => jobId),
  );
  return jobs
    .map((job) => ({ ...job, worked: workedOn(books.get(job.jobId) ?? []) }))
    .filter(({ worked }) => worked.length > 0);
}

/** How far the work of each stage spreads in this shop; a stage of which there is too little to say is left out. */
export function spreadsOf(jobs: readonly WorkedJob[]): Record<string, Spread> {
  const ratios = new Map<string, number[]>();
  for (const { worked } of jobs)
    for (const { stage, real, estimated } of worked)
      ratios.set(stage, [...(ratios.get(stage) ?? []), real / estimated]);
  return Object.fromEntries(
    [...ratios].flatMap(([stage, of]) => {
      const spread = spreadOf(of);
      return spread ? [[stage, spread] as const] : [];
    }),
  );
}
