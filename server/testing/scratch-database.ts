import { randomBytes } from "node:crypto";
import { Sequelize } from "sequelize";
import { count } from "../../core/counted.fixture.ts";
import { appRole, appUrl } from "../database/addresses.ts";
import { type Database, openDatabase } from "../database/connection.ts";
import { migrate } from "../database/migrate.ts";

const TEMPLATE = "warm_ledger_template";

const named = (url: string, name: string) => {
  const address = new URL(url);
  address.pathname = `/${name}`;
  return address.toString();
};

async function asOwner(url: string, work: (database: Sequelize) => Promise<void>) {
  const database = new Sequelize(url, { logging: false, dialect: "postgres" });
  try {
    await work(database);
  } finally {
    await database.close();
  }
}

function serverUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error("No database to test on. Run the tests with: npm run test:server");
  return url;
}

/** Migrates one database once, for every scratch database to be cloned from. */
export async function makeTemplate(): Promise<void> {
  const url = serverUrl();
  await asOwner(url, async (database) => {
    await database.query(`DROP DATABASE IF EXISTS ${TEMPLATE} WITH (FORCE)`);
    await database.query(`CREATE DATABASE ${TEMPLATE}`);
  });
  await migrate(named(url, TEMPLATE));
}

export interface Scratch {
  name: string;
  ownerUrl: string;
  appUrl: string;
  owner: Database;
  database: Database;
  /** The application as the owner plays it: what a test says of the time holds. */
  told: Database;
  /** Closes the connections and leaves the database, for others to be cloned from. */
  leave: () => Promise<void>;
  drop: () => Promise<void>;
}

/** A database of its own for a test file, as its owner and as the application see it; a clone of the migrated one or of `template`. */
export async function scratchDatabase(
  log: ((sql: string) => void) | false = false,
  template = TEMPLATE,
  name = `scratch_${randomBytes(6).toString("hex")}`,
): Promise<Scratch> {
  count("scratch databases");
  await asOwner(serverUrl(), async (database) => {
    await database.query("SELECT pg_advisory_lock(4310)");
    await database.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
    await database.query(`CREATE DATABASE ${name} TEMPLATE ${template}`);
  });
  const ownerUrl = named(serverUrl(), name);
  // A clone keeps what its template granted, and to whom.
  const url = named(appUrl({ DATABASE_URL: named(serverUrl(), TEMPLATE) }), name);
  const owner = openDatabase(ownerUrl, { isPatient: true });
  const database = openDatabase(url, { log });
  const told = openDatabase(ownerUrl, { isPatient: true, inRole: appRole(named(serverUrl(), TEMPLATE)) });
  const leave = async () => {
    await owner.sequelize.close();
    await database.sequelize.close();
    await told.sequelize.close();
  };
  const drop = async () => {
    await leave();
    await asOwner(serverUrl(), async (postgres) => {
      await postgres.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
    });
  };
  return { name, ownerUrl, appUrl: url, owner, database, told, leave, drop };
}
