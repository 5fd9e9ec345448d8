import { createWriteStream } from "node:fs";
import { rm } from "node:fs/promises";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { createGunzip } from "node:zlib";
import { QueryTypes } from "sequelize";
import { placeOf } from "../../archive/places.ts";
import { type Part, writeArchive } from "../../archive/write-archive.ts";
import { type Database, type Desk, snapshotAtDesk } from "../../database/connection.ts";
import { lane } from "../../threads/lane.ts";
import { IN_FILES, SECRETS, type ShopTable, shopTables } from "./shop-tables.ts";

/** Raised when the layout changes in a way a reader would notice. */
export const SHOP_FORMAT = "warm-ledger-shop-1";
const ROWS_AT_ONCE = 500;

export interface ShopFile {
  format: string;
  writtenAt: string;
  /** True where what people sign in by is in it. */
  hasSecrets: boolean;
  shop: { id: string; slug: string; name: string };
  /** How many rows each table has, in the order in which they are read in. */
  tables: Record<string, number>;
}

type Ask = <Row extends object>(sql: string, bind?: unknown[]) => Promise<Row[]>;

const quoted = (column: string) => `"${column}"`;

/** A table's rows as lines of JSON, so many at a time, in the transaction's own moment. */
async function* linesOf(ask: Ask, shopId: string, { name, columns, order }: ShopTable) {
  const mine = name === "shops" ? "id" : "shop_id";
  await ask(
    `DECLARE lines NO SCROLL CURSOR FOR SELECT row_to_json(t)::text AS line FROM
       (SELECT ${columns.map(quoted).join(", ")} FROM ${quoted(name)} WHERE ${mine} = '${shopId}' ORDER BY ${order.map(quoted).join(", ")}) t`,
  );
  for (;;) {
    const rows = await ask<{ line: string }>(`FETCH ${ROWS_AT_ONCE} FROM lines`);
    if (rows.length === 0) break;
    yield rows.map(({ line }) => `${line}\n`).join("");
  }
  await ask("CLOSE lines");
}

async function bytesOf(ask: Ask, shopId: string, table: string, column: string, id: string): Promise<Buffer> {
  const [row] = await ask<{ bytes: Buffer }>(
    `SELECT ${quoted(column)} AS bytes FROM ${quoted(table)} WHERE shop_id = $1 AND id = $2`,
    [shopId, id],
  );
  return row?.bytes ?? Buffer.alloc(0);
}

async function partsOf({ sequelize, transaction, shopId, now }: Desk, hasSecrets: boolean) {
  const ask: Ask = <Row extends object>(sql: string, bind: unknown[] = []) =>
    sequelize.query<Row>(sql, { bind, type: QueryTypes.SELECT, transaction });
  const tables = (await shopTables(sequelize, transaction)).map((table) => ({
    ...table,
    columns: table.columns.filter((column) => hasSecrets || !SECRETS[table.name]?.includes(column)),
  }));
  const rows: Record<string, number> = {};
  for (const { name } of tables) {
    const [counted] = await ask<{ count: number }>(
      `SELECT count(*)::int FROM ${quoted(name)} WHERE ${name === "shops" ? "id" : "shop_id"} = $1`,
      [shopId],
    );
    rows[name] = counted?.count ?? 0;
  }
  const [shop] = await ask<ShopFile["shop"]>("SELECT id, slug, name FROM shops WHERE id = $1", [shopId]);
  if (!shop) throw new Error("There is no such shop.");
  const idsOf = (table: string) =>
    ask<{ id: string; at: Date }>(
      `SELECT id, created_at AS at FROM ${quoted(table)} WHERE shop_id = $1 ORDER BY 1`,
      [shopId],
    );
  const [logs, pictures] = [await idsOf("logs"), await idsOf("pictures")];
  const file: ShopFile = {
    format: SHOP_FORMAT,
    writtenAt: now.toISOString(),
    hasSecrets,
    shop,
    tables: rows,
  };
  const parts: Part[] = [
    { name: "shop.json", content: () => Buffer.from(`${JSON.stringify(file, null, 2)}\n`) },
    ...tables.map((table) => ({
      name: `tables/${table.name}.jsonl`,
      content: () => Readable.from(linesOf(ask, shopId, table)),
    })),
    ...logs.map(({ id, at }) => ({
      name: placeOf.log(id),
      at,
      content: async () =>
        Readable.from([await bytesOf(ask, shopId, "logs", "content", id)]).pipe(createGunzip()),
    })),
    ...pictures.flatMap(({ id, at }) =>
      (IN_FILES.pictures ?? []).map((column) => ({
        name: column === "small" ? placeOf.small(id) : placeOf.picture(id),
        at,
        isPacked: true,
        content: () => bytesOf(ask, shopId, "pictures", column, id),
      })),
    ),
  ];
  return { file, parts };
}

const oneAtATime = lane({ name: "shop file", atOnce: 1, mostWaiting: 3 });

/**
 * Writes everything that a shop has into one zip, as it stands at one moment: docs/formats/shop.md. With `withSecrets` what its
 * people sign in by too. Whoever takes it slowly must not hold a transaction open, so it goes to a file first.
 */
export function packShop(
  database: Database,
  { shopId, withSecrets = false }: { shopId: string; withSecrets?: boolean },
  path: string,
): Promise<ShopFile> {
  return oneAtATime(() =>
    snapshotAtDesk(database, { shopId }, async (desk) => {
      const { file, parts } = await partsOf(desk, withSecrets);
      await pipeline(writeArchive(parts), createWriteStream(path, { mode: 0o600 }));
      return file;
    }).catch(async (error: unknown) => {
      // Half a shop is none, and stands in nobody's way.
      await rm(path, { force: true });
      throw error;
    }),
  );
}
