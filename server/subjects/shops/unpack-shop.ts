import { createHash } from "node:crypto";
import { promisify } from "node:util";
import { gzip } from "node:zlib";
import { BaseError, QueryTypes } from "sequelize";
import { type Archive, openArchive } from "../../archive/open-archive.ts";
import { placeOf } from "../../archive/places.ts";
import { atDesk, type Database, type Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { Refusal } from "../../desk/refusal.ts";
import { changeSecret } from "../people/by-function.ts";
import { inviteDevice } from "../people/devices.ts";
import { checkSecrets } from "../people/own-secret.ts";
import { hashSecrets, nobodysSecret } from "../people/secrets.ts";
import { SHOP_FORMAT, type ShopFile } from "./pack-shop.ts";
import { SECRETS, type ShopTable, shopTables } from "./shop-tables.ts";

const ROWS_AT_ONCE = 500;
const MOST_HEADING_BYTES = 1_000_000;
const MOST_LOG_BYTES = 100_000_000;
const MOST_PICTURE_BYTES = 5_000_000;
const compress = promisify(gzip);

type Row = Record<string, unknown>;

export interface ShopInFile extends ShopFile {
  /** Who leads it, by name: one of them is given a PIN and a password where the file has none. */
  leads: string[];
}

const no = (why: string) => new Refusal({ message: `This is no shop's file that can be read: ${why}` });

async function* rowsOf(archive: Archive, table: string): AsyncIterable<Row> {
  let line = 0;
  for await (const text of archive.lines(`tables/${table}.jsonl`)) {
    line++;
    try {
      yield JSON.parse(text) as Row;
    } catch {
      throw no(`line ${line} of ${table} is no JSON.`);
    }
  }
}

async function* inTurns(rows: AsyncIterable<Row>): AsyncIterable<Row[]> {
  let turn: Row[] = [];
  for await (const row of rows) {
    turn.push(row);
    if (turn.length < ROWS_AT_ONCE) continue;
    yield turn;
    turn = [];
  }
  if (turn.length > 0) yield turn;
}

async function readHeading(archive: Archive): Promise<ShopFile> {
  let file: Partial<ShopFile>;
  try {
    file = JSON.parse((await archive.read("shop.json", MOST_HEADING_BYTES)).toString()) as Partial<ShopFile>;
  } catch (error) {
    throw error instanceof Refusal ? error : no("its shop.json is no JSON.");
  }
  const { shop, tables } = file ?? {};
  if (file?.format !== SHOP_FORMAT)
    throw no(`its format is “${String(file?.format).slice(0, 40)}”, and ${SHOP_FORMAT} is wanted.`);
  if (!shop || !isId(String(shop.id)) || typeof shop.name !== "string" || typeof shop.slug !== "string")
    throw no("it doesn't say which shop it is.");
  if (!tables || typeof tables !== "object") throw no("it doesn't say what is in it.");
  return file as ShopFile;
}

/** What a shop's file says of itself, without reading it in. */
export async function lookAtShop(path: string): Promise<ShopInFile> {
  const archive = await openArchive(path);
  try {
    const file = await readHeading(archive);
    const leads: string[] = [];
    for await (const row of rowsOf(archive, "people"))
      if (row.role === "lead" && row.is_active === true) leads.push(String(row.name));
    return { ...file, leads };
  } finally {
    archive.close();
  }
}

const quoted = (column: string) => `"${column}"`;
const listOf = (columns: readonly string[]) => columns.map(quoted).join(", ");

/** Rows of one table as the file has them; columns that it doesn't know yet stay as a new row has them. */
async function insert(
  { sequelize, transaction }: Desk,
  { name, columns }: ShopTable,
  rows: readonly Row[],
  bytes: Record<string, Buffer> = {},
): Promise<void> {
  const said = Object.keys(rows[0] ?? {});
  const strange = said.find((column) => !columns.includes(column));
  if (strange)
    throw no(`${name} says “${strange.slice(0, 40)}”, which this program doesn't know. Bring it up to date.`);
  const files = Object.keys(bytes);
  await sequelize.query(
    `INSERT INTO ${quoted(name)} (${listOf([...said, ...files])})
     SELECT ${[...said.map(quoted), ...files.map((_, index) => `$${index + 2}`)].join(", ")}
       FROM json_populate_recordset(NULL::${quoted(name)}, $1::json)`,
    { bind: [JSON.stringify(rows), ...Object.values(bytes)], transaction, type: QueryTypes.RAW },
  );
}

/** What stands in files of its own, row by row. */
const withFiles: Record<string, (archive: Archive, row: Row) => Promise<Record<string, Buffer>>> = {
  logs: async (archive, row) => {
    const bytes = await archive.read(placeOf.log(String(row.id)), MOST_LOG_BYTES);
    if (createHash("sha256").update(bytes).digest("hex") !== row.sha256)
      throw no(`the log “${String(row.name).slice(0, 80)}” is not what it was.`);
    return { content: await compress(bytes) };
  },
  pictures: async (archive, row) => ({
    content: await archive.read(placeOf.picture(String(row.id)), MOST_PICTURE_BYTES),
    small: await archive.read(placeOf.small(String(row.id)), MOST_PICTURE_BYTES),
  }),
};

/** As a row is first written: a job is signed when its book is there, and nobody's secret is what they had. */
async function asWritten(name: string, row: Row, { shop, hasSecrets }: ShopFile, slug: string): Promise<Row> {
  if ((name === "shops" ? row.id : row.shop_id) !== shop.id) throw no(`a row of ${name} is another shop's.`);
  if (name === "shops") return { ...row, slug };
  if (name === "jobs") return { ...row, signed_at: null, signed_by: null, sign_reason: null };
  if (name === "people" && !hasSecrets) {
    const secret = await nobodysSecret();
    return { ...row, ...Object.fromEntries((SECRETS.people ?? []).map((column) => [column, secret])) };
  }
  if (name === "people" && SECRETS.people?.some((column) => typeof row[column] !== "string"))
    throw no("it says that what people sign in by is in it, and it isn't.");
  return row;
}

async function readTable(desk: Desk, archive: Archive, table: ShopTable, file: ShopFile, slug: string) {
  let count = 0;
  const read = withFiles[table.name];
  for await (const rows of inTurns(rowsOf(archive, table.name))) {
    const written = await Promise.all(rows.map((row) => asWritten(table.name, row, file, slug)));
    if (read) for (const row of written) await insert(desk, table, [row], await read(archive, row));
    else await insert(desk, table, written);
    count += rows.length;
  }
  if (count !== file.tables[table.name])
    throw no(
      `${table.name} has ${count} rows, and ${file.tables[table.name] ?? "no number of them"} were written.`,
    );
}

/** Each job is signed as it was, once its book is there, and each book must end as it did. */
async function signJobs({ sequelize, transaction }: Desk, archive: Archive): Promise<void> {
  for await (const rows of inTurns(rowsOf(archive, "jobs"))) {
    const given =
      "FROM json_populate_recordset(NULL::jobs, $1::json) g WHERE g.shop_id = jobs.shop_id AND g.id = jobs.id";
    const bind = [JSON.stringify(rows)];
    await sequelize.query(
      `UPDATE jobs SET signed_at = g.signed_at, signed_by = g.signed_by, sign_reason = g.sign_reason ${given} AND g.signed_at IS NOT NULL`,
      { bind, transaction },
    );
    const [other] = await sequelize.query<{ number: number }>(
      `SELECT jobs.number FROM jobs, json_populate_recordset(NULL::jobs, $1::json) g
        WHERE g.shop_id = jobs.shop_id AND g.id = jobs.id
          AND (g.last_seq, g.last_hash) IS DISTINCT FROM (jobs.last_seq, jobs.last_hash) LIMIT 1`,
      { bind, transaction, type: QueryTypes.SELECT },
    );
    if (other) throw no(`the book of job ${other.number} doesn't end as it did.`);
  }
}

/** What the database itself won't take of a file is the file's fault: a line that its hash doesn't bear out, a row twice. */
function asRefused(error: unknown): never {
  if (error instanceof BaseError) {
    const { parent } = error as { parent?: { code?: string; constraint?: string; message: string } };
    if (parent?.constraint === "shops_slug_key")
      throw new Refusal({
        message: "Another shop here signs in by that short name. Give this one another: --short-name",
      });
    if (parent?.code && /^2[23]/.test(parent.code)) throw no(`${parent.message}.`);
  }
  throw error;
}

/** Gives one of the shop's leads new secrets, where there are any, and an address that makes the first browser the shop's own. */
async function letIn(
  desk: Desk,
  name: string,
  hashed: { pinHash: string; passwordHash: string } | undefined,
): Promise<string> {
  const { models, sequelize, transaction } = desk;
  const { id } = await models.Person.findOne({
    where: { name, role: "lead", isActive: true },
    transaction,
    rejectOnEmpty: true,
  });
  await sequelize.query("SELECT set_config('app.person_id', $1, true)", { bind: [id], transaction });
  const byLead = { ...desk, personId: id };
  if (hashed) await changeSecret(byLead, id, hashed);
  return inviteDevice(byLead, "the first browser");
}

export interface ShopToRead {
  /** What it signs in with here, where it isn't what the file says. */
  slug?: string | undefined;
  /** Who is let in first: one of its leads, with a new PIN and password. Needed where the file has no secrets. */
  lead?: { name: string; pin: string; password: string } | undefined;
}

/**
 * Reads a whole shop in as the same one: every number, hand, time and hash as it was, all of it or nothing. Needs the owner's
 * connection. Refuses a shop that is here already, and a file in which anything isn't what it was.
 */
export async function unpackShop(
  owner: Database,
  path: string,
  { slug, lead }: ShopToRead = {},
): Promise<{ shopId: string; name: string; slug: string; jobs: number; invitation: string }> {
  const { leads, ...file } = await lookAtShop(path);
  const { id: shopId, name } = file.shop;
  const signsInWith = slug ?? file.shop.slug;
  if (leads.length === 0) throw no("nobody leads it.");
  if (!lead && !file.hasSecrets)
    throw no(`nobody's PIN or password is in it. Say which lead gets new ones: ${leads.join(", ")}.`);
  if (lead && !leads.includes(lead.name))
    throw no(`“${lead.name}” leads nothing in it: ${leads.join(", ")} do.`);
  if (lead) checkSecrets(lead, [lead.name, name, signsInWith]);
  const hashed = lead && (await hashSecrets(lead));
  const archive = await openArchive(path);
  try {
    const invitation = await atDesk(owner, { shopId }, async (desk) => {
      const { sequelize, transaction } = desk;
      await sequelize.query("SELECT set_config('app.keeps', 'on', true)", { transaction });
      if (await desk.models.Shop.findOne({ where: { id: shopId }, transaction }))
        throw new Refusal({
          status: 409,
          message: `${name} is in this database already. Nothing was changed.`,
        });
      const tables = await shopTables(sequelize, transaction);
      const strange = Object.keys(file.tables).find((each) => !tables.some((table) => table.name === each));
      if (strange)
        throw no(`it has “${strange.slice(0, 40)}”, which this program doesn't know. Bring it up to date.`);
      for (const table of tables)
        if (file.tables[table.name] !== undefined) await readTable(desk, archive, table, file, signsInWith);
      await signJobs(desk, archive);
      return letIn(desk, lead?.name ?? leads[0] ?? "", hashed);
    }).catch(asRefused);
    return { shopId, name, slug: signsInWith, jobs: file.tables.jobs ?? 0, invitation };
  } finally {
    archive.close();
  }
}
