import { Op, QueryTypes } from "sequelize";
import type { Json } from "../../core/book/chain/index.ts";
import type { Desk } from "../database/connection.ts";
import { COLUMNS, type Row, toEntry } from "../entries/read-books.ts";
import type { Bound, Line } from "./check-book.ts";

export interface Chain {
  job: Bound;
  lines: Line[];
}

/** So many books at a time, by their ids. The next `most` after the one with the id `after`, with all that their hashes are made of. */
export async function readChains(
  { models, sequelize, transaction }: Desk,
  { after, most }: { after: string; most: number },
): Promise<Chain[]> {
  const jobs = await models.Job.findAll({
    where: { id: { [Op.gt]: after } },
    order: [["id", "ASC"]],
    limit: most,
    transaction,
  });
  const rows = await sequelize.query<Row & { bookedAt: Date; hash: string }>(
    `SELECT ${COLUMNS}, booked_at AS "bookedAt", encode(hash, 'hex') AS hash
       FROM entries WHERE job_id = ANY($1::uuid[]) ORDER BY job_id, seq`,
    { bind: [jobs.map(({ id }) => id)], transaction, type: QueryTypes.SELECT },
  );
  const lines = new Map<string, Line[]>(jobs.map(({ id }) => [id, []]));
  for (const row of rows) lines.get(row.jobId)?.push(toEntry(row) as Line);
  return jobs.map((job) => ({
    job: {
      ...{ id: job.id, number: job.number, vehicleId: job.vehicleId, openedBy: job.openedBy },
      ...{ openedAt: job.openedAt, linesReadIn: job.linesReadIn, origin: job.origin as unknown as Json },
      ...{ lastSeq: job.lastSeq, lastHash: job.lastHash?.toString("hex") ?? null },
      ...{ signedAt: job.signedAt, signedBy: job.signedBy },
    },
    lines: lines.get(job.id) ?? [],
  }));
}
