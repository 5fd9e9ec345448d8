import { QueryTypes } from "sequelize";
import type { LiveSample, Mark } from "../../../core/trade/trace/index.ts";
import type { Desk } from "../../database/connection.ts";
import { liveLogOf } from "./live-log.ts";
import { offerTurn } from "./start-live-log.ts";

export interface LiveMark extends Mark {
  id: string;
  by: string;
}

export interface LiveAsk {
  id: string;
  ask: "codes" | "clear" | "fan-on" | "fan-off";
  by: string;
  askedAt: string;
  answer?: { is: string; codes?: string[]; because?: string };
}

/** A live log as whoever watches it sees it: what came since they looked last, and all that was said and asked. */
export interface LiveRead {
  id: string;
  startedAt: string;
  startedBy: string;
  pace: number;
  /** Seconds of the car's own time since it began, up to now or to its end. */
  s: number;
  isStopping: boolean;
  endedAt?: string;
  trouble?: string;
  /** Ask with that the next time. */
  upTo: string;
  samples: LiveSample[];
  marks: LiveMark[];
  asks: LiveAsk[];
}

/** More of them at once a browser isn't handed: it asks again for what comes after. */
const MOST_PARTS = 2000;

/** What of a job's live log comes after `after`, a number that `upTo` told; from the beginning with nothing. */
export async function readLiveLog(desk: Desk, jobId: string, id: string, after = "0"): Promise<LiveRead> {
  const { sequelize, transaction } = desk;
  const log = await liveLogOf(desk, jobId, id);
  const ask = <Row extends object>(sql: string, bind: unknown[]) =>
    sequelize.query<Row>(sql, { bind, type: QueryTypes.SELECT, transaction });
  // A shop that was brought here from elsewhere took nobody's turn along.
  if (!log.endedAt) await offerTurn(desk, id);
  const parts = await ask<{ seq: string; samples: LiveSample[] }>(
    `SELECT seq, samples FROM live_log_parts WHERE log_id = $1 AND seq > $2::bigint ORDER BY seq LIMIT ${MOST_PARTS}`,
    [id, /^\d{1,18}$/.test(after) ? after : "0"],
  );
  const marks = await ask<LiveMark>(
    `SELECT m.id, m.s, m.what, p.name AS by FROM live_log_marks m JOIN people p ON p.shop_id = m.shop_id AND p.id = m.said_by
      WHERE m.log_id = $1 ORDER BY m.s, m.id LIMIT 500`,
    [id],
  );
  const asks = await ask<
    Omit<LiveAsk, "askedAt" | "answer"> & { askedAt: Date; answer: LiveAsk["answer"] | null }
  >(
    `SELECT a.id, a.ask, p.name AS by, a.asked_at AS "askedAt", a.answer FROM live_log_asks a
       JOIN people p ON p.shop_id = a.shop_id AND p.id = a.asked_by WHERE a.log_id = $1 ORDER BY a.asked_at, a.id LIMIT 200`,
    [id],
  );
  const [started] = await ask<{ name: string }>("SELECT name FROM people WHERE id = $1", [log.startedBy]);
  const ranS = log.endedAt ? (log.endedAt.getTime() - log.startedAt.getTime()) / 1000 : log.ranS;
  return {
    id,
    startedAt: log.startedAt.toISOString(),
    startedBy: started?.name ?? "",
    pace: log.pace,
    s: ranS * log.pace,
    isStopping: log.stopAskedAt !== null && log.endedAt === null,
    ...(log.endedAt && { endedAt: log.endedAt.toISOString() }),
    ...(log.trouble && { trouble: log.trouble }),
    upTo: parts.at(-1)?.seq ?? after,
    samples: parts.flatMap(({ samples }) => samples),
    marks,
    asks: asks.map(({ askedAt, answer, ...rest }) => ({
      ...rest,
      askedAt: askedAt.toISOString(),
      ...(answer && { answer }),
    })),
  };
}
