import PgBoss from "pg-boss";
import { QUEUE_SCHEMA } from "../database/queue-schema.ts";

/** Something that has to be done again and again, by one of however many there are. */
export interface Chore {
  name: string;
  /** What came of it in a sentence; nothing where it isn't due. */
  run: () => Promise<string | undefined>;
}

const USUAL_S = 600;
/** One that is still at it after so long was left by a process that is gone. */
const LONGEST_S = 3600;

/**
 * Asks for each chore every so many seconds and does what is asked for, one of a kind at a time, whichever process gets it: the
 * queue is in the database, so that of several machines one does it, and another where that one is gone. `say` is told what came
 * of each. The answer ends it.
 */
export async function startQueue(
  ownerUrl: string,
  chores: readonly Chore[],
  say: (words: string) => void,
  { everyS = USUAL_S }: { everyS?: number } = {},
): Promise<() => Promise<void>> {
  const boss = new PgBoss({ connectionString: ownerUrl, schema: QUEUE_SCHEMA, max: 2, supervise: true });
  boss.on("error", (error) => say(`The queue: ${error.message}`));
  await boss.start();
  for (const { name, run } of chores) {
    await boss.createQueue(name, { name, policy: "singleton", retryLimit: 0, expireInSeconds: LONGEST_S });
    await boss.work(name, { pollingIntervalSeconds: Math.min(everyS, 30) }, async () => {
      try {
        const said = await run();
        if (said) say(said);
      } catch (error) {
        say(
          `${name} failed: ${(error as Error).message} It is tried again in ${Math.round(everyS / 60)} min.`,
        );
        throw error;
      }
    });
  }
  const ask = async () => {
    for (const { name } of chores) await boss.send(name, {}, { singletonSeconds: everyS });
  };
  // Whatever can't be asked for now is asked for the next time.
  const again = () => void ask().catch((error: Error) => say(`The queue: ${error.message}`));
  const timer = setInterval(again, 1000 * everyS);
  again();
  return async () => {
    clearInterval(timer);
    await boss.stop({ graceful: false, wait: true });
  };
}
