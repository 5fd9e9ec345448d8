import { QueryTypes } from "sequelize";
import { atDesk, type Database } from "../../database/connection.ts";
import type { Role } from "../../desk/roles.ts";
import { hashToken, shopOfToken } from "./secrets.ts";

const MINUTE_MS = 60_000;
/** That it is used is noted no oftener. */
const NOTED_EVERY_MS = 5 * MINUTE_MS;
/** On a browser of the shop's nobody stays signed in over a lunch and an afternoon that they were not there. */
const IDLE_MS = 4 * 60 * MINUTE_MS;

export interface Member {
  shopId: string;
  personId: string;
  name: string;
  role: Role;
  shopName: string;
  /** True on a browser of the shop's own, which others use too. */
  isShared: boolean;
  /** The person's own where they have chosen, else the shop's. */
  units: "metric" | "us";
  keys: "bare" | "alt" | "off";
  timeZone: string;
  currency: string;
  altitudeM: number | null;
  coldestC: number | null;
}

interface Row extends Omit<Member, "shopId"> {
  seenAt: Date;
}

async function rowOf(
  { sequelize }: Database,
  shopId: string,
  tokenHash: string,
  now: Date,
): Promise<Row | undefined> {
  const [row] = await sequelize.query<Row>("SELECT * FROM session_member($1, $2, $3, $4)", {
    bind: [shopId, tokenHash, now.toISOString(), new Date(now.getTime() - IDLE_MS).toISOString()],
    type: QueryTypes.SELECT,
  });
  return row;
}

/**
 * Who a session's token stands for; nothing where it has ended, was left idle, or never was. Notes that it is used, unless
 * the page reads by itself while nobody is there (`isUntouched`).
 */
export async function findSession(
  database: Database,
  token: string | undefined,
  now: Date,
  { isUntouched = false } = {},
): Promise<Member | undefined> {
  const shopId = shopOfToken(token);
  if (!shopId || !token) return undefined;
  const tokenHash = hashToken(token);
  const row = await rowOf(database, shopId, tokenHash, now);
  if (!row) return undefined;
  const { seenAt, ...member } = row;
  if (!isUntouched && now.getTime() - seenAt.getTime() > NOTED_EVERY_MS)
    await atDesk(database, { shopId }, ({ sequelize, transaction }) =>
      sequelize.query("UPDATE sessions SET seen_at = $2 WHERE token_hash = $1 AND seen_at < $2", {
        bind: [tokenHash, now.toISOString()],
        transaction,
      }),
    );
  return { shopId, ...member };
}
