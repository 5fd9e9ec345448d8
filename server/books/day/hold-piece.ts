import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound, Refusal } from "../../desk/refusal.ts";

export interface NewHold {
  jobId: string;
  piece: string;
  personId?: string;
  at?: string;
  /** When the hold that whoever holds it now has seen was made; nothing where they saw none. */
  seen?: string;
}

/** Whose hold stands there that somebody hasn't seen: it isn't taken out of their hands without a word. */
async function refuseUnseen(
  { sequelize, transaction }: Desk,
  { jobId, piece, seen }: NewHold,
): Promise<void> {
  const [rows] = (await sequelize.query(
    `SELECT h.held_at AS "heldAt", p.name FROM day_holds h JOIN people p ON p.shop_id = h.shop_id AND p.id = h.held_by
      WHERE h.job_id = $1 AND h.piece = $2 FOR UPDATE OF h`,
    { bind: [jobId, piece], transaction },
  )) as [{ heldAt: Date; name: string }[], unknown];
  const [there] = rows;
  if (!there || there.heldAt.toISOString() === seen) return;
  throw new Refusal({
    status: 409,
    message: `${there.name} has held it meanwhile. The day shows that now; hold it again if it is to be otherwise.`,
  });
}

async function openJobOf({ models, transaction }: Desk, jobId: string) {
  const job = isId(jobId)
    ? await models.Job.findOne({ where: { id: jobId, signedAt: null }, attributes: ["id"], transaction })
    : null;
  if (!job) throw notFound("That open job");
}

/** Holds a piece of a job to a person, a time or both, over what it was held to before. Refuses where somebody else has held it unseen. */
export async function holdPiece(desk: Desk, hold: NewHold): Promise<void> {
  const { models, sequelize, transaction, shopId, personId: heldBy, now } = desk;
  const { jobId, piece, personId, at } = hold;
  await openJobOf(desk, jobId);
  if (
    personId !== undefined &&
    !(
      isId(personId) &&
      (await models.Person.findOne({ where: { id: personId, isActive: true }, transaction }))
    )
  )
    throw notFound("That person");
  if (personId === undefined && at === undefined)
    throw new Refusal({ message: "Hold it to a person, to a time, or to both." });
  await refuseUnseen(desk, hold);
  await sequelize.query(
    `INSERT INTO day_holds (shop_id, job_id, piece, person_id, at, held_by, held_at) VALUES ($1, $2, $3, $4, $5, $6, $7)
     ON CONFLICT (shop_id, job_id, piece) DO UPDATE SET person_id = $4, at = $5, held_by = $6, held_at = $7`,
    { bind: [shopId, jobId, piece, personId ?? null, at ?? null, heldBy, now.toISOString()], transaction },
  );
}

/** Lets a piece lie where the day wants it again. */
export async function letGo(desk: Desk, hold: Pick<NewHold, "jobId" | "piece" | "seen">): Promise<void> {
  await openJobOf(desk, hold.jobId);
  await refuseUnseen(desk, hold);
  await desk.sequelize.query("DELETE FROM day_holds WHERE job_id = $1 AND piece = $2", {
    bind: [hold.jobId, hold.piece],
    transaction: desk.transaction,
  });
}
