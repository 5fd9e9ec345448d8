import { QueryTypes, Sequelize, type Transaction } from "sequelize";
import { SequelizeStorage, Umzug } from "umzug";
import { APP_ROLE, appPassword } from "./addresses.ts";
import { migrations } from "./migrations/index.ts";
import type { Migration, Run } from "./migrations/migration.ts";

/** Makes the application's role, or gives it today's password; the only statement that needs CREATEROLE. */
async function ensureAppRole(database: Sequelize, ownerUrl: string): Promise<void> {
  const password = database.escape(appPassword(ownerUrl));
  await database.transaction(async (transaction) => {
    await database.query("SELECT pg_advisory_xact_lock(hashtext('warm-ledger-role'))", { transaction });
    const [found] = await database.query(`SELECT 1 FROM pg_roles WHERE rolname = '${APP_ROLE}'`, {
      transaction,
    });
    const verb = found.length > 0 ? "ALTER" : "CREATE";
    await database.query(`${verb} ROLE ${APP_ROLE} LOGIN NOCREATEDB NOCREATEROLE PASSWORD ${password}`, {
      transaction,
    });
  });
}

/** One direction of a step, inside a transaction of its own. */
function step(database: Sequelize, work: Migration["up"]): () => Promise<unknown> {
  if (typeof work === "string")
    return () => database.transaction((transaction) => database.query(work, { transaction }));
  const runIn =
    (transaction: Transaction): Run =>
    async (sql, bind) => {
      if (/^SELECT/i.test(sql)) return database.query(sql, { bind, transaction, type: QueryTypes.SELECT });
      await database.query(sql, { bind, transaction });
      return [];
    };
  return () => database.transaction((transaction) => work(runIn(transaction)));
}

function umzug(database: Sequelize) {
  return new Umzug({
    migrations: migrations.map(({ name, up, down }) => ({
      name,
      up: step(database, up),
      down: step(database, down),
    })),
    storage: new SequelizeStorage({ sequelize: database, tableName: "migrations" }),
    logger: undefined,
  });
}

/** Brings the schema up to date as its owner; with `down`, takes every step back. `to` names the last step to go up to, or to take back. Answers with the steps it ran. */
export async function migrate(
  ownerUrl: string,
  direction: "up" | "down" = "up",
  to?: string,
): Promise<string[]> {
  const database = new Sequelize(ownerUrl, { logging: false, dialect: "postgres" });
  try {
    if (direction === "up") await ensureAppRole(database, ownerUrl);
    const ran =
      direction === "up"
        ? await umzug(database).up(to ? { to } : {})
        : await umzug(database).down({ to: to ?? 0 });
    return ran.map((step) => step.name);
  } finally {
    await database.close();
  }
}
