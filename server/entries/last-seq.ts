import type { Desk } from "../database/connection.ts";

/** The number of the last line of a job's book; 0 where it has none. */
export async function lastSeq({ models, transaction }: Desk, jobId: string): Promise<number> {
  const last = await models.Entry.findOne({
    where: { jobId },
    attributes: ["seq"],
    order: [["seq", "DESC"]],
    transaction,
  });
  return last?.seq ?? 0;
}
