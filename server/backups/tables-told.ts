import { QueryTypes, type Sequelize, type Transaction } from "sequelize";

/** How many rows a table has, and one figure of all that stands in them, whatever their order. */
export interface Told {
  rows: number;
  sum: string;
}

/** Every table of a database by its rows and their sum. */
export async function tablesTold(
  database: Sequelize,
  transaction: Transaction,
): Promise<Record<string, Told>> {
  const tables = await database.query<{ name: string }>(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_type = 'BASE TABLE' ORDER BY 1",
    { type: QueryTypes.SELECT, transaction },
  );
  const told: Record<string, Told> = {};
  for (const { name } of tables) {
    const [row] = await database.query<Told>(
      `SELECT count(*)::int AS rows, coalesce(sum(hashtextextended(t::text, 4310)::numeric), 0)::text AS sum FROM "${name}" t`,
      { type: QueryTypes.SELECT, transaction },
    );
    if (row) told[name] = row;
  }
  return told;
}

/** The tables in which two databases differ, in words. */
export function differences(one: Record<string, Told>, other: Record<string, Told>): string[] {
  return [...new Set([...Object.keys(one), ...Object.keys(other)])].flatMap((name) => {
    const [a, b] = [one[name], other[name]];
    if (a && b && a.rows === b.rows && a.sum === b.sum) return [];
    return [`${name}: ${a?.rows ?? "none"} rows against ${b?.rows ?? "none"}`];
  });
}
