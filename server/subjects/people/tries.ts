import { isIPv6 } from "node:net";
import { RateLimiterPostgres, RateLimiterRes } from "rate-limiter-flexible";
import type { Database, Desk } from "../../database/connection.ts";

const MINUTE_S = 60;
const DAY_S = 86_400;

/**
 * How many wrong tries a door takes, in how long, before it stays shut for as long again. They are counted by where they come
 * from: one person's PIN and everybody's at one browser of the shop's, passwords by browser or network address. So nobody
 * is locked out from elsewhere, and four digits tried at one browser from morning to night last half of a year.
 */
const DOORS = {
  pin: { points: 8, duration: 10 * MINUTE_S, blockDuration: 10 * MINUTE_S },
  pins: { points: 60, duration: DAY_S, blockDuration: DAY_S },
  password: { points: 10, duration: 15 * MINUTE_S, blockDuration: 15 * MINUTE_S },
  passwords: { points: 60, duration: DAY_S, blockDuration: DAY_S },
} as const;

export type Door = { door: keyof typeof DOORS; of: string };

/**
 * The library names what it asks, to have it prepared once a connection; behind a pooler the next transaction of the same
 * connection is another process's, which finds the name taken. So it is asked without.
 */
const unnamed = (sequelize: Database["sequelize"]) => ({
  query: async ({ text, values }: { text: string; values: unknown[] }) => {
    const [rows, { rowCount }] = (await sequelize.query(text, { bind: values })) as [
      unknown[],
      { rowCount: number },
    ];
    return { rows, rowCount };
  },
});

const limiters = new WeakMap<object, Record<keyof typeof DOORS, RateLimiterPostgres>>();

function limitersOf({ sequelize }: Pick<Database, "sequelize">) {
  const known = limiters.get(sequelize);
  if (known) return known;
  const limiter = (door: keyof typeof DOORS) =>
    new RateLimiterPostgres({
      storeClient: unnamed(sequelize),
      storeType: "pool",
      tableName: "tries",
      tableCreated: true,
      keyPrefix: door,
      ...DOORS[door],
    });
  const made = {
    pin: limiter("pin"),
    pins: limiter("pins"),
    password: limiter("password"),
    passwords: limiter("passwords"),
  };
  limiters.set(sequelize, made);
  return made;
}

const HALF_OF_IPV6 = 4;

/** What one network of a household or shop has for itself: an address, or half of a long one. */
export function networkOf(address: string): string {
  if (!isIPv6(address)) return address;
  if (/^::ffff:\d+\.\d+\.\d+\.\d+$/i.test(address)) return address.slice("::ffff:".length);
  const [head = "", tail = ""] = address.split("%")[0]?.split("::") ?? [];
  const [before, after] = [head, tail].map((part) => part.split(":").filter(Boolean));
  const zeros = Array.from({ length: 8 - (before?.length ?? 0) - (after?.length ?? 0) }, () => "0");
  return [...(before ?? []), ...(address.includes("::") ? zeros : []), ...(after ?? [])]
    .slice(0, HALF_OF_IPV6)
    .map((part) => Number.parseInt(part, 16).toString(16))
    .join(":");
}

/** Counts one try at each of these doors; seconds until the first that stays shut opens again, nought where all let it through. */
export async function knock(database: Pick<Database, "sequelize">, doors: readonly Door[]): Promise<number> {
  const all = limitersOf(database);
  for (const { door, of } of doors)
    try {
      await all[door].consume(of);
    } catch (error) {
      if (!(error instanceof RateLimiterRes)) throw error;
      return Math.max(1, Math.ceil(error.msBeforeNext / 1000));
    }
  return 0;
}

/** A try that was right is none: what it took is given back. */
export async function giveBack(database: Pick<Database, "sequelize">, doors: readonly Door[]): Promise<void> {
  const all = limitersOf(database);
  for (const { door, of } of doors) await (door === "pin" ? all.pin.delete(of) : all[door].reward(of));
}

/** Opens the doors of one person's PIN, and of everybody's, at every browser of the shop: a lead stands beside them. */
export async function letIn({ sequelize, transaction, shopId }: Desk, personId: string): Promise<void> {
  await sequelize.query("DELETE FROM tries WHERE key LIKE $1 OR key LIKE $2", {
    bind: [`pin:${shopId} % ${personId}`, `pins:${shopId} %`],
    transaction,
  });
}

export const waitWords = (seconds: number): string =>
  seconds <= 90
    ? `Too many wrong tries from here. Wait ${seconds} s, then try again.`
    : `Too many wrong tries from here. Wait ${Math.ceil(seconds / MINUTE_S)} min; a lead can help before that.`;
