import { QueryTypes, Sequelize, type Transaction } from "sequelize";
import { SequelizeStorage, Umzug } from "umzug";
import { appPassword, appRole } from "./addresses.ts";
import { ensureBackupRole } from "./backup-role.ts";
import { migrations } from "./migrations/index.ts";
import { APP_ROLE, type Migration, type Run } from "./migrations/migration.ts";

const quoted = (name: string) => `"${name.replaceAll('"', '""')}"`;

/**
 * No request waits longer than this for the database, whatever stands between them: a pooler passes on no settings of a
 * connection, but those of a role.
 */
const LIMITS = {
  lock_timeout: "2s",
  statement_timeout: "4500ms",
  idle_in_transaction_session_timeout: "15s",
};

/** Makes the database's own role, or gives it today's password; the only statement that needs CREATEROLE. */
async function ensureAppRole(database: Sequelize, ownerUrl: string): Promise<void> {
  const role = appRole(ownerUrl);
  const password = database.escape(appPassword(ownerUrl));
  await database.transaction(async (transaction) => {
    await database.query("SELECT pg_advisory_xact_lock(hashtext('warm-ledger-role'))", { transaction });
    const found = await database.query("SELECT 1 FROM pg_roles WHERE rolname = $1", {
      bind: [role],
      type: QueryTypes.SELECT,
      transaction,
    });
    const verb = found.length > 0 ? "ALTER" : "CREATE";
    await database.query(`${verb} ROLE ${quoted(role)} LOGIN NOCREATEDB NOCREATEROLE PASSWORD ${password}`, {
      transaction,
    });
    // The owner plays the application where a made-up shop's past is told.
    await database.query(`GRANT ${quoted(role)} TO CURRENT_USER`, { transaction });
    for (const [limit, value] of Object.entries(LIMITS))
      await database.query(`ALTER ROLE ${quoted(role)} SET ${limit} = '${value}'`, { transaction });
  });
}

/** One direction of a step, inside a transaction of its own, for the role of this database. */
function step(database: Sequelize, work: Migration["up"], role: string): () => Promise<unknown> {
  const forRole = (sql: string) => sql.replaceAll(APP_ROLE, () => quoted(role));
  if (typeof work === "string")
    return () => database.transaction((transaction) => database.query(forRole(work), { transaction }));
  const runIn =
    (transaction: Transaction): Run =>
    async (sql, bind) => {
      if (/^SELECT/i.test(sql))
        return database.query(forRole(sql), { bind, transaction, type: QueryTypes.SELECT });
      await database.query(forRole(sql), { bind, transaction });
      return [];
    };
  return () => database.transaction((transaction) => work(runIn(transaction)));
}

function umzug(database: Sequelize, role: string) {
  return new Umzug({
    migrations: migrations.map(({ name, up, down }) => ({
      name,
      up: step(database, up, role),
      down: step(database, down, role),
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
    await ensureAppRole(database, ownerUrl);
    const steps = umzug(database, appRole(ownerUrl));
    const ran = direction === "up" ? await steps.up(to ? { to } : {}) : await steps.down({ to: to ?? 0 });
    if (direction === "up") await ensureBackupRole(database, ownerUrl);
    return ran.map((step) => step.name);
  } finally {
    await database.close();
  }
}
