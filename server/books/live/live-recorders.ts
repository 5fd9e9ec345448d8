import { randomUUID } from "node:crypto";
import { atDesk, type Database } from "../../database/connection.ts";
import { liveLogById } from "./live-log.ts";
import { LEASE_S, LiveRecorder } from "./live-recorder.ts";
import { wait } from "./wait.ts";

/**
 * Takes the logs that nobody reads and reads them, so many at most at once, until it is ended: each process has one, and what a
 * process leaves that was killed another takes over within some seconds. A log in a queue of its own kind: what notices that a
 * process is gone has to do so by the second, which the queue of chores does by the minute.
 */
export function startLiveRecorders(
  database: Database,
  { everyMs = 1500, most = 20, say }: { everyMs?: number; most?: number; say?: (words: string) => void } = {},
): () => Promise<void> {
  const by = randomUUID();
  const ending = new AbortController();
  const own = new Map<string, { recorder: LiveRecorder; done: Promise<void> }>();

  const taken = async (): Promise<{ shopId: string; logId: string }[]> => {
    const room = most - own.size;
    if (room <= 0) return [];
    return database.sequelize.transaction(async (transaction) => {
      await database.sequelize.query("SELECT set_config('app.takes_turns', 'yes', true)", { transaction });
      const [rows] = (await database.sequelize.query(
        `UPDATE live_log_turns t SET reader = $1, until_at = clock_timestamp() + make_interval(secs => $2)
          FROM (SELECT shop_id, log_id FROM live_log_turns WHERE until_at < clock_timestamp() ORDER BY until_at LIMIT $3
                   FOR UPDATE SKIP LOCKED) free
         WHERE t.shop_id = free.shop_id AND t.log_id = free.log_id
         RETURNING t.shop_id AS "shopId", t.log_id AS "logId"`,
        { bind: [by, LEASE_S, room], transaction },
      )) as [{ shopId: string; logId: string }[], unknown];
      return rows;
    });
  };

  const begin = async ({ shopId, logId }: { shopId: string; logId: string }) => {
    if (own.has(logId)) return;
    const log = await atDesk(database, { shopId }, (desk) => liveLogById(desk, logId));
    // Offered by somebody who looked just as it ended.
    if (log?.endedAt)
      await atDesk(database, { shopId }, ({ sequelize, transaction }) =>
        sequelize.query("DELETE FROM live_log_turns WHERE log_id = $1", { bind: [logId], transaction }),
      );
    if (!log || log.endedAt || ending.signal.aborted) return;
    const recorder = new LiveRecorder(database, shopId, log, by);
    const done = recorder
      .run()
      .catch((error: Error) => say?.(`A live log: ${error.message}`))
      .finally(() => own.delete(logId));
    own.set(logId, { recorder, done });
  };

  // A database that is gone for an hour is said to be so once.
  let said = "";
  const looking = (async () => {
    while (!ending.signal.aborted) {
      try {
        for (const turn of await taken()) await begin(turn);
        said = "";
      } catch (error) {
        const { message } = error as Error;
        if (message !== said) say?.(`Live logs: ${message}`);
        said = message;
      }
      await wait(everyMs, ending.signal);
    }
  })();

  return async () => {
    ending.abort();
    await looking;
    const all = [...own.values()];
    for (const { recorder } of all) recorder.leave();
    await Promise.all(all.map(({ done }) => done));
  };
}
