import { atDesk, type Database, type Desk } from "../database/connection.ts";
import type { Role } from "./roles.ts";
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
  { sequelize, transaction }: Desk,
  tokenHash: string,
  now: Date,
): Promise<Row | undefined> {
  const [rows] = await sequelize.query(
    `SELECT p.id AS "personId", p.name, p.role, s.name AS "shopName", coalesce(p.preferences->>'units', s.units) AS units,
            coalesce(p.preferences->>'keys', 'bare') AS keys, s.time_zone AS "timeZone", s.currency,
            s.altitude_m AS "altitudeM", s.coldest_c AS "coldestC", e.device_id IS NOT NULL AS "isShared", e.seen_at AS "seenAt"
       FROM sessions e JOIN people p ON p.shop_id = e.shop_id AND p.id = e.person_id JOIN shops s ON s.id = e.shop_id
      WHERE e.token_hash = $1 AND e.expires_at > $2 AND (e.device_id IS NULL OR e.seen_at > $3) AND p.is_active`,
    { bind: [tokenHash, now.toISOString(), new Date(now.getTime() - IDLE_MS).toISOString()], transaction },
  );
  return (rows as Row[])[0];
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
  return atDesk(database, { shopId }, async (desk) => {
    const row = await rowOf(desk, tokenHash, now);
    if (!row) return undefined;
    const { seenAt, ...member } = row;
    if (!isUntouched && now.getTime() - seenAt.getTime() > NOTED_EVERY_MS)
      await desk.sequelize.query("UPDATE sessions SET seen_at = $2 WHERE token_hash = $1 AND seen_at < $2", {
        bind: [tokenHash, now.toISOString()],
        transaction: desk.transaction,
      });
    return { shopId, ...member };
  });
}
