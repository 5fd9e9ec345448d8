import { QueryTypes } from "sequelize";
import type { AtDesk, Desk } from "../database/connection.ts";
import { isId } from "../desk/is-id.ts";
import { notFound, Refusal } from "../desk/refusal.ts";

type What = "log" | "picture";

/** What takes longer, its turn behind others included, was left behind by a server that is gone. */
const LONGEST_MS = 300_000;
const AGAIN_S = 5;

/** The job that something slow is for: there, and somebody's at the desk to book it. */
export async function jobToTake(desk: Desk, jobId: string, { lock = false } = {}) {
  const { models, transaction, personId } = desk;
  const job = isId(jobId) ? await models.Job.findOne({ where: { id: jobId }, transaction, lock }) : null;
  if (!job || !personId) throw notFound("That job");
  return { job, personId };
}

/** Said before anything slow is done; the book says it again as it is written. */
export function refuseSigned({ signedAt }: { signedAt: Date | null }): void {
  if (signedAt)
    throw new Refusal({ status: 409, message: "The job is signed: nothing goes into it but corrections." });
}

/**
 * Does slow work for a job outside any transaction and books it, and lets every process know for as long as that lasts: a
 * signature waits for what is under way, up to its line in the book.
 */
export async function whileUnderWay<Result>(
  at: AtDesk,
  { jobId, id, what }: { jobId: string; id: string; what: What },
  work: () => Promise<Result>,
): Promise<Result> {
  await at(({ sequelize, transaction, shopId, now }) =>
    sequelize.query(
      `INSERT INTO under_way (shop_id, job_id, id, what, began_at) VALUES ($1, $2, $3, $4, $5)
       ON CONFLICT (shop_id, job_id, id) DO UPDATE SET began_at = excluded.began_at`,
      { bind: [shopId, jobId, id, what, now.toISOString()], transaction },
    ),
  );
  try {
    return await work();
  } finally {
    await at(({ sequelize, transaction }) =>
      sequelize.query("DELETE FROM under_way WHERE job_id = $1 AND id = $2", {
        bind: [jobId, id],
        transaction,
      }),
    );
  }
}

/** Nor over a log that somebody recorded live and has neither kept nor thrown away: after a signature nothing more comes into the book. */
async function refuseOverLiveLog({ sequelize, transaction }: Desk, jobId: string): Promise<void> {
  const live = await sequelize.query("SELECT 1 FROM live_logs WHERE job_id = $1 LIMIT 1", {
    bind: [jobId],
    type: QueryTypes.SELECT,
    transaction,
  });
  if (live.length > 0)
    throw new Refusal({
      status: 409,
      message:
        "A live log of this job is neither kept nor thrown away. On Prove: stop it, keep it or throw it away, then sign.",
    });
}

/** A job isn't signed over what is still being read for it: later, and no no. */
export async function refuseWhileUnderWay(desk: Desk, jobId: string): Promise<void> {
  const { sequelize, transaction, now } = desk;
  await refuseOverLiveLog(desk, jobId);
  const [first] = await sequelize.query<{ what: What }>(
    "SELECT what FROM under_way WHERE job_id = $1 AND began_at > $2 LIMIT 1",
    {
      bind: [jobId, new Date(now.getTime() - LONGEST_MS).toISOString()],
      type: QueryTypes.SELECT,
      transaction,
    },
  );
  if (first)
    throw new Refusal({
      status: 503,
      message: `A ${first.what} of this job is still being read. It is signed as soon as that is booked.`,
      againInS: AGAIN_S,
    });
}
