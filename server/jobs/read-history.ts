import { circuitOf } from "../../core/job/find/index.ts";
import type { Desk } from "../database/connection.ts";
import { isId } from "../vehicles/read-vehicle.ts";
import { readBook } from "./read-books.ts";

/**
 * The confirmed verdicts of this shop's signed jobs on one kind of circuit, a hypothesis id for each job: the last
 * finding that stands in its book. Jobs whose finding names no hypothesis teach nothing and are left out.
 */
export async function readHistory({ sequelize, transaction }: Desk, circuit: string): Promise<string[]> {
  const [rows] = await sequelize.query(
    `SELECT DISTINCT ON (entries.job_id) entries.data->>'hypothesis' AS hypothesis
       FROM entries
       JOIN jobs ON jobs.shop_id = entries.shop_id AND jobs.id = entries.job_id
       JOIN cooling_cards ON cooling_cards.shop_id = jobs.shop_id AND cooling_cards.vehicle_id = jobs.vehicle_id
      WHERE jobs.signed_at IS NOT NULL
        AND cooling_cards.circuit = $1
        AND entries.kind = 'decision'
        AND entries.data->>'hypothesis' IS NOT NULL
        AND NOT EXISTS (
          SELECT 1 FROM entries later WHERE later.shop_id = entries.shop_id AND later.corrects = entries.id
        )
      ORDER BY entries.job_id, entries.seq DESC`,
    { bind: [circuit], transaction },
  );
  return (rows as { hypothesis: string }[]).map(({ hypothesis }) => hypothesis);
}

/** The same for the circuit of a job's vehicle: the one its book settled, else the card's; none where neither says. */
export async function readHistoryForJob(desk: Desk, jobId: string): Promise<string[]> {
  const { models, transaction } = desk;
  const job = isId(jobId) ? await models.Job.findOne({ where: { id: jobId }, transaction }) : null;
  if (!job) return [];
  const card = await models.CoolingCard.findOne({ where: { vehicleId: job.vehicleId }, transaction });
  const kind = card?.circuit ?? circuitOf(await readBook(desk, jobId), null);
  return kind ? readHistory(desk, kind) : [];
}
