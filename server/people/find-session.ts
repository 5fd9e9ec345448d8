import type { Database } from "../database/connection.ts";
import { atDesk } from "../database/connection.ts";
import type { Role } from "./roles.ts";
import { hashToken, shopOfToken } from "./secrets.ts";

export interface Member {
  shopId: string;
  personId: string;
  name: string;
  role: Role;
  shopName: string;
  /** The person's own where they have chosen, else the shop's. */
  units: "metric" | "us";
  keys: "bare" | "alt" | "off";
  timeZone: string;
  currency: string;
  altitudeM: number | null;
  coldestC: number | null;
}

interface Row extends Omit<Member, "shopId"> {}

/** Who a session's token stands for, in one query; nothing where it has ended or never was. */
export async function findSession(
  database: Database,
  token: string | undefined,
  now: Date,
): Promise<Member | undefined> {
  const shopId = shopOfToken(token);
  if (!shopId || !token) return undefined;
  const [rows] = await atDesk(database, { shopId }, ({ sequelize, transaction }) =>
    sequelize.query(
      `SELECT p.id AS "personId", p.name, p.role, s.name AS "shopName", coalesce(p.preferences->>'units', s.units) AS units,
              coalesce(p.preferences->>'keys', 'bare') AS keys, s.time_zone AS "timeZone", s.currency,
              s.altitude_m AS "altitudeM", s.coldest_c AS "coldestC"
         FROM sessions e JOIN people p ON p.shop_id = e.shop_id AND p.id = e.person_id JOIN shops s ON s.id = e.shop_id
        WHERE e.token_hash = $1 AND e.expires_at > $2 AND p.is_active`,
      { bind: [hashToken(token), now.toISOString()], transaction },
    ),
  );
  const row = (rows as Row[])[0];
  return row && { shopId, ...row };
}
