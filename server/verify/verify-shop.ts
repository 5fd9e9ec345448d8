import { setTimeout } from "node:timers/promises";
import { QueryTypes } from "sequelize";
import type { AtDesk } from "../database/connection.ts";
import { lane } from "../threads/lane.ts";
import { type Broken, checkBook } from "./check-book.ts";
import { checkFiles } from "./check-files.ts";
import { readChains } from "./read-chains.ts";

export interface Verified {
  at: string;
  jobs: number;
  lines: number;
  broken: Broken[];
}

const AT_A_TIME = 100;
const LONGEST_WAIT_MS = 3000;
/** The rest of a book that was rewritten is no news. */
const MOST_BROKEN = 100;
const BEFORE_ALL = "00000000-0000-0000-0000-000000000000";

const oneAtATime = lane({ name: "verify", atOnce: 1, mostWaiting: 20 });

/** Every book of a shop, a hundred in each transaction: a shop of a hundred thousand holds nobody up. */
async function readThrough(at: AtDesk, { withFiles }: { withFiles: boolean }): Promise<Omit<Verified, "at">> {
  const told = { jobs: 0, lines: 0, broken: [] as Broken[] };
  let after = BEFORE_ALL;
  for (;;) {
    const chains = await at((desk) => readChains(desk, { after, most: AT_A_TIME }));
    for (const chain of chains) {
      told.jobs++;
      told.lines += chain.lines.length;
      const broken =
        checkBook(chain.job, chain.lines) ?? (withFiles ? await checkFiles(at, chain) : undefined);
      if (broken && told.broken.length < MOST_BROKEN) told.broken.push(broken);
    }
    const last = chains.at(-1);
    if (!last) return told;
    after = last.job.id;
  }
}

/**
 * Reads every book of a shop against its hashes, with `withFiles` every log and picture against its sum too, and keeps what came of it.
 * One shop at a time, outside any transaction of anybody's.
 */
export function verifyShop(at: AtDesk, { withFiles = false } = {}): Promise<Verified> {
  return oneAtATime(async () => {
    const { jobs, lines, broken } = await readThrough(at, { withFiles });
    const [row] = await at(({ sequelize, transaction, shopId }) =>
      sequelize.query<{ at: Date }>(
        "INSERT INTO verifications (shop_id, jobs, lines, broken) VALUES ($1, $2, $3, $4) RETURNING at",
        { bind: [shopId, jobs, lines, JSON.stringify(broken)], transaction, type: QueryTypes.SELECT },
      ),
    );
    return { at: (row?.at ?? new Date()).toISOString(), jobs, lines, broken };
  });
}

/** The same for somebody who waits for it: nothing where it isn't done in three seconds, and it goes on without them. */
export const verifySoon = (at: AtDesk): Promise<Verified | undefined> =>
  Promise.race([verifyShop(at), setTimeout(LONGEST_WAIT_MS, undefined)]);
