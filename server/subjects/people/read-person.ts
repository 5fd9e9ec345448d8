import { QueryTypes } from "sequelize";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound } from "../../desk/refusal.ts";
import type { Role } from "../../desk/roles.ts";

export interface SignedIn {
  /** The browser's name where it is the shop's own. */
  device: string | null;
  since: Date;
  seenAt: Date;
}

/** Somebody of the shop, and where they are signed in. */
export async function readPerson({ models, sequelize, transaction, now }: Desk, id: string) {
  const person = isId(id) ? await models.Person.findOne({ where: { id }, transaction }) : null;
  if (!person) throw notFound("That person");
  const signedIn = await sequelize.query<SignedIn>(
    `SELECT d.name AS device, e.created_at AS since, e.seen_at AS "seenAt"
       FROM sessions e LEFT JOIN devices d ON d.shop_id = e.shop_id AND d.id = e.device_id
      WHERE e.person_id = $1 AND e.expires_at > $2 ORDER BY e.seen_at DESC LIMIT 20`,
    { bind: [id, now.toISOString()], type: QueryTypes.SELECT, transaction },
  );
  return {
    id,
    name: person.name,
    role: person.role as Role,
    isActive: person.isActive,
    signedIn: signedIn.map(({ device, since, seenAt }) => ({
      device,
      since: since.toISOString(),
      seenAt: seenAt.toISOString(),
    })),
  };
}
