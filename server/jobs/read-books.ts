import type { Entry } from "../../core/ledger/index.ts";
import type { Desk } from "../database/connection.ts";

interface Row {
  id: string;
  jobId: string;
  seq: number;
  at: Date;
  by: string;
  [column: string]: unknown;
}

const COLUMNS = `id, job_id AS "jobId", seq, at, by, stage, kind, account, item, place, "out", "in", unit, value, text, data, corrects`;

/** A row as the core's entry: nulls left out, the time as text. */
function toEntry(row: Row): Entry {
  const entry: Record<string, unknown> = {};
  for (const [name, value] of Object.entries(row)) if (value !== null) entry[name] = value;
  entry.at = row.at.toISOString();
  return entry as unknown as Entry;
}

/** The books of several jobs, each in its own order, in one query. */
export async function readBooks(
  { sequelize, transaction }: Desk,
  jobIds: readonly string[],
): Promise<Map<string, Entry[]>> {
  const books = new Map<string, Entry[]>(jobIds.map((id) => [id, []]));
  if (jobIds.length === 0) return books;
  const [rows] = await sequelize.query(
    `SELECT ${COLUMNS} FROM entries WHERE job_id = ANY($1::uuid[]) ORDER BY job_id, seq`,
    {
      bind: [jobIds],
      transaction,
    },
  );
  for (const row of rows as Row[]) books.get(row.jobId)?.push(toEntry(row));
  return books;
}

export async function readBook(desk: Desk, jobId: string): Promise<Entry[]> {
  return (await readBooks(desk, [jobId])).get(jobId) ?? [];
}
