import { QueryTypes } from "sequelize";
import type { Desk } from "../database/connection.ts";
import type { Broken } from "./check-book.ts";
import type { Verified } from "./verify-shop.ts";

/** What came of reading the shop's books through the last time; nothing where nobody has. */
export async function lastVerified({ sequelize, transaction }: Desk): Promise<Verified | null> {
  const [row] = await sequelize.query<{ at: Date; jobs: number; lines: number; broken: Broken[] }>(
    "SELECT at, jobs, lines, broken FROM verifications ORDER BY id DESC LIMIT 1",
    { transaction, type: QueryTypes.SELECT },
  );
  return row ? { ...row, at: row.at.toISOString() } : null;
}
