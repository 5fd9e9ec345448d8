import { QueryTypes, type Sequelize, type Transaction } from "sequelize";

export interface ShopTable {
  name: string;
  /** What a row of it says, in the order of the table; what stands in files of its own is not among them. */
  columns: string[];
  order: string[];
}

/** Who is signed in where, what a process has in hand or its turn at, and the day as it was laid: they end with the server that they were on. */
const NOT_TAKEN = ["sessions", "invitations", "devices", "under_way", "day_plans", "live_log_turns"];
/** Bytes that stand beside the rows, a file each. */
export const IN_FILES: Readonly<Record<string, readonly string[]>> = {
  logs: ["content"],
  pictures: ["content", "small"],
};
/** What somebody signs in or reads a calendar by: taken along only where the shop moves. */
export const SECRETS: Readonly<Record<string, readonly string[]>> = {
  people: ["pin_hash", "password_hash"],
  shops: ["calendar_hash"],
};
/** A book is written again in its own order; what is numbered by the database keeps its order and not its number. */
const ORDER: Readonly<Record<string, string[]>> = {
  shops: ["id"],
  entries: ["job_id", "seq"],
  audit: ["id"],
  verifications: ["id"],
};

interface Named {
  name: string;
  columns: string[];
  key: string[];
}

const TABLES = `
SELECT c.relname AS name,
       ARRAY(SELECT attname::text FROM pg_attribute a WHERE a.attrelid = c.oid AND attnum > 0 AND NOT attisdropped
                AND attidentity = '' AND attgenerated = '' ORDER BY attnum) AS columns,
       ARRAY(SELECT a.attname::text FROM pg_index i JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum = ANY (i.indkey)
              WHERE i.indrelid = c.oid AND i.indisprimary ORDER BY a.attnum) AS key
  FROM pg_class c
 WHERE c.relnamespace = 'public'::regnamespace AND c.relkind = 'r'
   AND (c.relname = 'shops' OR EXISTS (SELECT 1 FROM pg_attribute a WHERE a.attrelid = c.oid AND a.attname = 'shop_id'))
 ORDER BY 1`;

const REFERENCES = `
SELECT DISTINCT conrelid::regclass::text AS of, confrelid::regclass::text AS to
  FROM pg_constraint WHERE contype = 'f' AND conrelid <> confrelid`;

/** Every table of a shop's rows, as the database itself has them, each after those that it refers to. */
export async function shopTables(sequelize: Sequelize, transaction: Transaction): Promise<ShopTable[]> {
  const ask = <Row extends object>(sql: string) =>
    sequelize.query<Row>(sql, { type: QueryTypes.SELECT, transaction });
  const found = await ask<Named>(TABLES);
  const references = await ask<{ of: string; to: string }>(REFERENCES);
  const left = new Map(
    found.filter(({ name }) => !NOT_TAKEN.includes(name)).map((each) => [each.name, each]),
  );
  const tables: ShopTable[] = [];
  while (left.size > 0) {
    const next = [...left.values()].filter(
      ({ name }) => !references.some(({ of, to }) => of === name && left.has(to)),
    );
    if (next.length === 0) throw new Error(`Tables refer to each other: ${[...left.keys()].join(", ")}`);
    for (const { name, columns, key } of next) {
      left.delete(name);
      tables.push({
        name,
        columns: columns.filter((column) => !IN_FILES[name]?.includes(column)),
        order: ORDER[name] ?? key,
      });
    }
  }
  return tables;
}
