import { QueryTypes, type Sequelize } from "sequelize";
import { migrations } from "./migrations/index.ts";

const TABLE = /DROP TABLE ([\w, ]+);/g;
const COLUMN = /ALTER TABLE (\w+)\s+((?:DROP COLUMN \w+,?\s*)+)/g;

/**
 * What taking steps back, down to `to`, would lose: rows of tables that go, values of columns that go, and lines whose facts
 * the older version has no name for. In words, nothing where nothing would be lost.
 */
export async function lostBy(database: Sequelize, to: string): Promise<string[]> {
  const from = migrations.findIndex(({ name }) => name === to);
  if (from < 0)
    throw new RangeError(`There is no step “${to}”: ${migrations.map(({ name }) => name).join(", ")} are.`);
  const count = async (sql: string) => {
    const [row] = await database.query<{ n: number }>(sql, { type: QueryTypes.SELECT }).catch(() => []);
    return row?.n ?? 0;
  };
  const lost: string[] = [];
  for (const { name, down } of migrations.slice(from).reverse()) {
    const sql = typeof down === "string" ? down : "";
    for (const [, tables = ""] of sql.matchAll(TABLE))
      for (const table of tables.split(",").map((each) => each.trim())) {
        const rows = await count(`SELECT count(*)::int AS n FROM ${table}`);
        if (rows > 0) lost.push(`${name}: ${rows} rows of ${table}`);
      }
    for (const [, table = "", columns = ""] of sql.matchAll(COLUMN))
      for (const [, column = ""] of columns.matchAll(/DROP COLUMN (\w+)/g)) {
        const values = await count(`SELECT count(${column})::int AS n FROM ${table}`);
        if (values > 0) lost.push(`${name}: ${values} values of ${table}.${column}`);
      }
    if (name === "003-facts") {
      const lines = await count("SELECT count(*)::int AS n FROM entries WHERE data ? 'fact'");
      if (lines > 0) lost.push(`${name}: what ${lines} lines say, which versions before it read otherwise`);
    }
  }
  return lost;
}
