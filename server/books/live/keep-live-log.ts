import { QueryTypes } from "sequelize";
import { type LiveSample, liveTrace, type Mark, writeTrace } from "../../../core/trade/trace/index.ts";
import type { AtDesk, Desk } from "../../database/connection.ts";
import { Refusal } from "../../desk/refusal.ts";
import { bookLog } from "../logs/book-log.ts";
import { liveLogOf } from "./live-log.ts";

/** All of a live log as a file of our own layout. */
async function fileOf(desk: Desk, logId: string): Promise<string> {
  const { sequelize, transaction } = desk;
  const read = <Row extends object>(sql: string) =>
    sequelize.query<Row>(sql, { bind: [logId], type: QueryTypes.SELECT, transaction });
  const parts = await read<{ samples: LiveSample[] }>(
    "SELECT samples FROM live_log_parts WHERE log_id = $1 ORDER BY seq",
  );
  const marks = await read<Mark>("SELECT s, what FROM live_log_marks WHERE log_id = $1 ORDER BY s, id");
  const samples = parts.flatMap((part) => part.samples);
  return writeTrace(liveTrace(samples, marks));
}

async function drop(desk: Desk, logId: string): Promise<void> {
  await desk.sequelize.query("DELETE FROM live_logs WHERE id = $1", {
    bind: [logId],
    transaction: desk.transaction,
  });
}

/**
 * Books a log that has ended, as any log is booked: read, judged and kept under its own id. Kept before, it is kept. Throws a
 * Refusal where it runs still, tells no coolant, or the job is signed.
 */
export async function keepLiveLog(at: AtDesk, jobId: string, logId: string, name: string): Promise<void> {
  const given = await at(async (desk) => {
    const booked = await desk.models.Log.findOne({
      where: { id: logId, jobId },
      attributes: ["id"],
      transaction: desk.transaction,
    });
    if (booked) return undefined;
    const log = await liveLogOf(desk, jobId, logId);
    if (!log.endedAt)
      throw new Refusal({ status: 409, message: "The log is being recorded still: stop it, then keep it." });
    return { text: await fileOf(desk, logId), restedH: log.restedH };
  });
  if (given)
    await bookLog(at, jobId, {
      id: logId,
      name,
      text: given.text,
      ...(given.restedH !== null && { restedH: given.restedH }),
    });
  await at((desk) => drop(desk, logId));
}

/** Throws a log away that nobody wants; one that runs is stopped by that. Gone before, it is gone. */
export async function dropLiveLog(desk: Desk, jobId: string, logId: string): Promise<void> {
  await liveLogOf(desk, jobId, logId);
  await drop(desk, logId);
}
