import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound, Refusal } from "../../desk/refusal.ts";

export interface NewAway {
  /** Made by the client, so that a second send is the same note. */
  id: string;
  personId?: string;
  lift?: number;
  from: string;
  until: string;
}

const LONGEST_MS = 60 * 24 * 3_600_000;

/** Notes that somebody isn't here for a while, or that a lift can't be used. */
export async function noteAway(desk: Desk, { id, personId, lift, from, until }: NewAway): Promise<void> {
  const { models, sequelize, transaction, shopId, personId: saidBy, now } = desk;
  if ((personId === undefined) === (lift === undefined))
    throw new Refusal({ message: "Say who is away, or which lift is out of use." });
  if (!(Date.parse(until) > Date.parse(from)))
    throw new Refusal({ message: "", fields: { until: "Later than it begins." } });
  if (Date.parse(until) - Date.parse(from) > LONGEST_MS)
    throw new Refusal({ message: "", fields: { until: "At most sixty days on." } });
  if (
    personId !== undefined &&
    !(isId(personId) && (await models.Person.findOne({ where: { id: personId }, transaction })))
  )
    throw notFound("That person");
  await sequelize.query(
    `INSERT INTO away (shop_id, id, person_id, lift, from_at, until_at, said_by, said_at) VALUES ($1, $2, $3, $4, $5, $6, $7, $8)
     ON CONFLICT DO NOTHING`,
    {
      bind: [shopId, id, personId ?? null, lift ?? null, from, until, saidBy, now.toISOString()],
      transaction,
    },
  );
}

/** They are here after all, or the lift goes again. */
export async function backAgain({ sequelize, transaction }: Desk, id: string): Promise<void> {
  if (!isId(id)) throw notFound("That note");
  await sequelize.query("DELETE FROM away WHERE id = $1", { bind: [id], transaction });
}
