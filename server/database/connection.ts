import { Sequelize, Transaction, type TransactionOptions } from "sequelize";
import { asRefusal } from "./as-refusal.ts";
import { defineModels, type Models } from "./models/index.ts";
import { countStatement } from "./statements.ts";

export interface Database {
  sequelize: Sequelize;
  models: Models;
  /** The application's role, where the owner works in it: then the time that is told holds, as a made-up past needs. */
  inRole?: string;
}

/** What one use-case works with: the shop and person it works for, inside one transaction that row security knows. */
export interface Desk {
  models: Models;
  sequelize: Sequelize;
  transaction: Transaction;
  shopId: string;
  personId: string | null;
  now: Date;
}

/** Runs one use-case in a transaction of its own, for a shop and person that are settled already. */
export type AtDesk = <Result>(work: (desk: Desk) => Promise<Result>) => Promise<Result>;

const MOST_CONNECTIONS = 12;
/** A database that is there and says nothing is none: each wait for it ends, so that a request is answered within five seconds. */
const LONGEST_MS = { connect: 3000, free: 4000, answer: 4700 };
/** One that can be done without is waited for so long that there is time left for the other. */
const SPARE_MS = { connect: 800, free: 800, answer: 1500 };
/** The owner's work waits for a busy machine. */
const PATIENT_CONNECT_MS = 60_000;

/**
 * Connects as the application's role, or with `isPatient` as the owner, whose work may take its time. `log` is given every
 * statement, for tests that count them.
 */
export function openDatabase(
  url: string,
  {
    log = false,
    isPatient = false,
    isSpare = false,
    inRole,
  }: {
    log?: ((sql: string) => void) | false;
    isPatient?: boolean;
    isSpare?: boolean;
    inRole?: string;
  } = {},
): Database {
  const longest = isSpare ? SPARE_MS : LONGEST_MS;
  const sequelize = new Sequelize(url, {
    dialect: "postgres",
    logging: log || countStatement,
    pool: { max: MOST_CONNECTIONS, idle: 10_000, ...(isPatient ? {} : { acquire: longest.free }) },
    dialectOptions: {
      connectionTimeoutMillis: isPatient ? PATIENT_CONNECT_MS : longest.connect,
      ...(isPatient ? {} : { query_timeout: longest.answer }),
      keepAlive: true,
    },
  });
  return { sequelize, models: defineModels(sequelize), ...(inRole && { inRole }) };
}

interface Who {
  shopId: string;
  personId?: string | null;
  now?: Date;
}

/** Runs a use-case in one transaction that sees one shop's rows and no other's. */
export function atDesk<Result>(
  database: Database,
  who: Who,
  work: (desk: Desk) => Promise<Result>,
  options: TransactionOptions = {},
): Promise<Result> {
  const { sequelize, models, inRole } = database;
  return new Promise<Result>((resolve, reject) => {
    sequelize
      .transaction(options, async (transaction) => {
        try {
          await sequelize.query(
            "SELECT set_config('app.shop_id', $1, true), set_config('app.person_id', $2, true), set_config('app.now', $3, true)",
            { bind: [who.shopId, who.personId ?? "", who.now?.toISOString() ?? ""], transaction },
          );
          if (inRole)
            await sequelize.query("SELECT set_config('role', $1, true)", { bind: [inRole], transaction });
          return await work({
            models,
            sequelize,
            transaction,
            shopId: who.shopId,
            personId: who.personId ?? null,
            now: who.now ?? new Date(),
          });
        } catch (error) {
          // A database that doesn't answer doesn't answer to its taking back either: nobody waits for that too.
          if (asRefusal(error)?.isDown) reject(error);
          throw error;
        }
      })
      .then(resolve, reject);
  });
}

/** The same, all of it as things stood at one moment: for what is read in many statements and has to agree. */
export const snapshotAtDesk = <Result>(
  database: Database,
  who: Who,
  work: (desk: Desk) => Promise<Result>,
): Promise<Result> =>
  atDesk(database, who, work, { isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ });

/** The shop of a sign-in name, before anybody is known; nothing else can be seen with it. */
export function findShopBySlug({ sequelize, models }: Database, slug: string) {
  return sequelize.transaction(async (transaction) => {
    await sequelize.query("SELECT set_config('app.shop_slug', $1, true)", { bind: [slug], transaction });
    return models.Shop.findOne({ where: { slug }, transaction });
  });
}
