import { balance, openItems } from "../../core/ledger/index.ts";
import type { Desk } from "../database/connection.ts";
import { readJob } from "./read-job.ts";

/** Raised when the layout changes in a way a reader would notice. */
export const JOB_FORMAT = "warm-ledger-job-1";

/** A whole job as JSON, as `docs/formats/job.schema.json` describes it. Figures in core units: °C, L, kPa, km. */
export async function exportJob(desk: Desk, jobId: string) {
  const { job, vehicle, card, entries, names } = await readJob(desk, jobId);
  const logs = await desk.models.Log.findAll({
    where: { jobId },
    attributes: ["id", "name", "rows", "sha256", "createdAt"],
    order: ["createdAt"],
    transaction: desk.transaction,
  });
  return {
    format: JOB_FORMAT,
    exportedAt: desk.now.toISOString(),
    job,
    vehicle,
    card,
    people: names,
    entries,
    balance: balance(entries),
    open: openItems(entries).map((item) => item.words),
    logs: logs.map((log) => ({
      id: log.id,
      name: log.name,
      rows: log.rows,
      sha256: log.sha256,
      bookedAt: log.createdAt.toISOString(),
    })),
  };
}
