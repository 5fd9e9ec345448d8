import type { Entry } from "../../core/book/entry/index.ts";
import { Finding, lastFact } from "../../core/book/facts/index.ts";
import { circuitOf } from "../../core/stages/find/index.ts";
import type { Desk } from "../database/connection.ts";
import type { Job } from "../database/models/job.ts";

async function move(
  { sequelize, transaction, shopId }: Desk,
  circuit: string | null,
  hypothesis: string | null,
  by: 1 | -1,
) {
  if (!circuit || !hypothesis) return;
  await sequelize.query(
    `INSERT INTO verdict_counts (shop_id, circuit, hypothesis, jobs) VALUES ($1, $2, $3, $4)
     ON CONFLICT (shop_id, circuit, hypothesis) DO UPDATE SET jobs = verdict_counts.jobs + $5`,
    { bind: [shopId, circuit, hypothesis, Math.max(by, 0), by], transaction },
  );
}

/**
 * Counts a signed job's verdict into the shop's history, once: what it was counted as before is taken back first, so
 * that a verdict corrected after signing moves. The circuit is the one its book settled, else the card's.
 */
export async function countVerdict(desk: Desk, job: Job, book: readonly Entry[]): Promise<void> {
  const { models, transaction } = desk;
  const card = await models.CoolingCard.findOne({ where: { vehicleId: job.vehicleId }, transaction });
  const circuit = circuitOf(book, card?.circuit) ?? null;
  const hypothesis = lastFact(book, Finding)?.fact.hypothesis ?? null;
  if (job.countedCircuit === circuit && job.countedHypothesis === hypothesis) return;
  await move(desk, job.countedCircuit, job.countedHypothesis, -1);
  await move(desk, circuit, hypothesis, 1);
  await job.update({ countedCircuit: circuit, countedHypothesis: hypothesis }, { transaction });
}
