import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound, Refusal } from "../../desk/refusal.ts";
import { liveLogOf } from "./live-log.ts";
import type { LiveAsk } from "./read-live-log.ts";

const MOST_MARKS = 400;
const MOST_ASKS = 100;

function running(log: { endedAt: Date | null }): void {
  if (log.endedAt)
    throw new Refusal({
      status: 409,
      message: "The log has ended: what is said now belongs to no moment of it.",
    });
}

function saidBy({ personId }: Desk): string {
  if (!personId) throw notFound("That job");
  return personId;
}

async function refuseMore({ sequelize, transaction }: Desk, table: string, id: string, most: number) {
  const [[row]] = (await sequelize.query(`SELECT count(*)::int AS count FROM ${table} WHERE log_id = $1`, {
    bind: [id],
    transaction,
  })) as [{ count: number }[], unknown];
  if ((row?.count ?? 0) >= most)
    throw new Refusal({
      status: 409,
      message: `${most} of those in one log are the most. Begin another log.`,
    });
}

/** What somebody hears, sees or feels, at a second of the car's own time; where nothing is said of that, at this moment. */
export async function markLiveLog(
  desk: Desk,
  jobId: string,
  logId: string,
  { id, what, s }: { id: string; what: string; s?: number },
): Promise<void> {
  const { sequelize, transaction, shopId } = desk;
  const log = await liveLogOf(desk, jobId, logId);
  if (!isId(id)) throw new Refusal({ message: "A mark has an id of its own." });
  if (s === undefined) running(log);
  await refuseMore(desk, "live_log_marks", logId, MOST_MARKS);
  const nowS = log.ranS * log.pace;
  await sequelize.query(
    `INSERT INTO live_log_marks (shop_id, log_id, id, s, what, said_by) VALUES ($1, $2, $3, $4, $5, $6) ON CONFLICT DO NOTHING`,
    { bind: [shopId, logId, id, Math.min(s ?? nowS, nowS), what, saidBy(desk)], transaction },
  );
}

/** Takes back what was said too much. */
export async function unmarkLiveLog(desk: Desk, jobId: string, logId: string, id: string): Promise<void> {
  await liveLogOf(desk, jobId, logId);
  if (!isId(id)) throw notFound("That mark");
  await desk.sequelize.query("DELETE FROM live_log_marks WHERE log_id = $1 AND id = $2", {
    bind: [logId, id],
    transaction: desk.transaction,
  });
}

/** Asks the car for its codes, to forget them, or for its fan; the answer stands in the log a moment later. */
export async function askLiveCar(
  desk: Desk,
  jobId: string,
  logId: string,
  { id, ask }: Pick<LiveAsk, "id" | "ask">,
): Promise<void> {
  const { sequelize, transaction, shopId, now } = desk;
  running(await liveLogOf(desk, jobId, logId));
  if (!isId(id)) throw new Refusal({ message: "A request has an id of its own." });
  await refuseMore(desk, "live_log_asks", logId, MOST_ASKS);
  await sequelize.query(
    `INSERT INTO live_log_asks (shop_id, log_id, id, ask, asked_by, asked_at) VALUES ($1, $2, $3, $4, $5, $6) ON CONFLICT DO NOTHING`,
    { bind: [shopId, logId, id, ask, saidBy(desk), now.toISOString()], transaction },
  );
}

/** Asks that it be read no more; whoever reads it ends it, with what it has. */
export async function stopLiveLog(desk: Desk, jobId: string, logId: string): Promise<void> {
  await liveLogOf(desk, jobId, logId);
  await desk.sequelize.query(
    "UPDATE live_logs SET stop_asked_at = coalesce(stop_asked_at, clock_timestamp()) WHERE id = $1 AND ended_at IS NULL",
    { bind: [logId], transaction: desk.transaction },
  );
}
