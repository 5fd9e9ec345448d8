import { circuitOf } from "../../core/job/find/index.ts";
import type { Desk } from "../database/connection.ts";
import { isId } from "../vehicles/read-vehicle.ts";
import { readBooks } from "./read-books.ts";

/** How often each hypothesis is the verdict of this shop's signed jobs on one kind of circuit, counted at signing. */
export async function readHistory(
  { sequelize, transaction }: Desk,
  circuit: string,
): Promise<Record<string, number>> {
  const [rows] = await sequelize.query(
    "SELECT hypothesis, jobs FROM verdict_counts WHERE circuit = $1 AND jobs > 0",
    { bind: [circuit], transaction },
  );
  return Object.fromEntries(
    (rows as { hypothesis: string; jobs: number }[]).map(({ hypothesis, jobs }) => [hypothesis, jobs]),
  );
}

/** The same for the circuit of a job's vehicle: the one its book settled, else the card's; none where neither says. */
export async function readHistoryForJob(desk: Desk, jobId: string): Promise<Record<string, number>> {
  const { models, transaction } = desk;
  const job = isId(jobId) ? await models.Job.findOne({ where: { id: jobId }, transaction }) : null;
  if (!job) return {};
  const card = await models.CoolingCard.findOne({ where: { vehicleId: job.vehicleId }, transaction });
  const settled = (await readBooks(desk, [jobId], ["fan-circuit"])).get(jobId) ?? [];
  const kind = circuitOf(settled, card?.circuit);
  return kind ? readHistory(desk, kind) : {};
}
