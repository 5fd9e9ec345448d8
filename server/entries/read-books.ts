import type { Account, Entry } from "../../core/book/entry/index.ts";
import type { Desk } from "../database/connection.ts";

export interface Row {
  id: string;
  jobId: string;
  seq: number;
  /** ISO 8601 in UTC, as the database writes it out: cheaper than a date made and unmade for each line. */
  at: string;
  by: string;
  [column: string]: unknown;
}

/** Each column of a line that a book shows. */
export const COLUMNS = `id, job_id AS "jobId", seq, to_char(at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') AS at, by, stage, kind, account, item, place, "out", "in", unit, value, text, data, corrects`;

/** A row as the core's entry: nulls left out, the time as text. */
export function toEntry(row: Row): Entry {
  const entry: Record<string, unknown> = {};
  for (const name in row) if (row[name] !== null) entry[name] = row[name];
  return entry as unknown as Entry;
}

/**
 * The books of several jobs, each in its own order, in one query. With `only`, just the entries that say one of these facts, or
 * are of this account, and whatever corrects them, however often: enough to tell which of them stand.
 */
export async function readBooks(
  { sequelize, transaction }: Desk,
  jobIds: readonly string[],
  only?: readonly string[] | { account: Account },
): Promise<Map<string, Entry[]>> {
  const books = new Map<string, Entry[]>(jobIds.map((id) => [id, []]));
  if (jobIds.length === 0) return books;
  const isFacts = Array.isArray(only);
  const some = `WITH RECURSIVE said AS (
      SELECT shop_id, id FROM entries WHERE job_id = ANY($1::uuid[]) AND ${isFacts ? "fact = ANY($2::text[])" : "account = $2"}
      UNION SELECT e.shop_id, e.id FROM entries e JOIN said ON e.shop_id = said.shop_id AND e.corrects = said.id
    )
    SELECT ${COLUMNS} FROM entries JOIN said USING (shop_id, id) ORDER BY job_id, seq`;
  const all = `SELECT ${COLUMNS} FROM entries WHERE job_id = ANY($1::uuid[]) ORDER BY job_id, seq`;
  const [rows] = await sequelize.query(only ? some : all, {
    bind: only ? [jobIds, isFacts ? only : (only as { account: Account }).account] : [jobIds],
    transaction,
  });
  for (const row of rows as Row[]) books.get(row.jobId)?.push(toEntry(row));
  return books;
}

export async function readBook(desk: Desk, jobId: string): Promise<Entry[]> {
  return (await readBooks(desk, [jobId])).get(jobId) ?? [];
}
