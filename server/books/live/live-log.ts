import { QueryTypes } from "sequelize";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound } from "../../desk/refusal.ts";

/** A log that is recorded live, as the database keeps it. */
export interface LiveRow {
  id: string;
  jobId: string;
  opening: string;
  perSecond: number;
  restedH: number | null;
  pace: number;
  startedBy: string;
  startedAt: Date;
  /** Seconds of the clock since it was started, by the database's own. */
  ranS: number;
  /** Second of the car's own time of what was written last; null where nothing is. */
  lastS: number | null;
  stopAskedAt: Date | null;
  endedAt: Date | null;
  trouble: string | null;
}

const COLUMNS = `id, job_id AS "jobId", opening, per_second AS "perSecond", rested_h AS "restedH", pace, started_by AS "startedBy",
  started_at AS "startedAt", extract(epoch FROM clock_timestamp() - started_at)::double precision AS "ranS",
  (SELECT (samples->-1->>'s')::double precision FROM live_log_parts p WHERE p.log_id = live_logs.id ORDER BY seq DESC LIMIT 1) AS "lastS",
  stop_asked_at AS "stopAskedAt", ended_at AS "endedAt", trouble`;

const ask = <Row extends object>({ sequelize, transaction }: Desk, sql: string, bind: unknown[]) =>
  sequelize.query<Row>(sql, { bind, type: QueryTypes.SELECT, transaction });

/** A live log of a job. Throws a 404 for one that isn't there. */
export async function liveLogOf(desk: Desk, jobId: string, id: string): Promise<LiveRow> {
  const [row] =
    isId(jobId) && isId(id)
      ? await ask<LiveRow>(desk, `SELECT ${COLUMNS} FROM live_logs WHERE job_id = $1 AND id = $2`, [
          jobId,
          id,
        ])
      : [];
  if (!row) throw notFound("That live log");
  return row;
}

/** The same whichever job it is of: for the process that reads it. */
export async function liveLogById(desk: Desk, id: string): Promise<LiveRow | undefined> {
  const [row] = await ask<LiveRow>(desk, `SELECT ${COLUMNS} FROM live_logs WHERE id = $1`, [id]);
  return row;
}

/** Those of a job that are neither kept nor thrown away, the newest first. */
export const liveLogsOf = (desk: Desk, jobId: string): Promise<LiveRow[]> =>
  ask<LiveRow>(desk, `SELECT ${COLUMNS} FROM live_logs WHERE job_id = $1 ORDER BY started_at DESC LIMIT 20`, [
    jobId,
  ]);
