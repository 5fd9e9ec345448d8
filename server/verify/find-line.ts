import { QueryTypes } from "sequelize";
import type { Desk } from "../database/connection.ts";

/** A paper's hash without its blanks; nothing where it is none, or too short to be one's alone. */
export const hashFromPaper = (typed: string): string | undefined =>
  /^[0-9a-f]{16,64}$/.exec(typed.toLowerCase().replace(/[\s-]/g, ""))?.[0];

/** Which line of a job bears a hash that is printed on its report, and how far the book goes today; nothing where none does. */
export async function findLine(
  { sequelize, transaction }: Desk,
  jobNumber: number,
  hash: string,
): Promise<{ line: number; last: number } | undefined> {
  const [row] = await sequelize.query<{ line: number; last: number }>(
    `SELECT e.seq AS line, j.last_seq AS last FROM jobs j JOIN entries e ON e.shop_id = j.shop_id AND e.job_id = j.id
      WHERE j.number = $1 AND encode(e.hash, 'hex') LIKE $2 || '%'`,
    { bind: [jobNumber, hash], transaction, type: QueryTypes.SELECT },
  );
  return row;
}
