import { mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { QueryTypes } from "sequelize";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { migrate } from "../database/migrate.ts";
import { type Scratch, scratchDatabase } from "../testing/scratch-database.ts";
import { smallShop } from "../testing/small-shop.ts";
import { lastVerified } from "../verify/last-verified.ts";
import { allChores } from "./chores.ts";
import { type Chore, startQueue } from "./queue.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
  // With the role that backups are read by.
  await migrate(scratch.ownerUrl);
});
afterAll(() => scratch.drop());

const running: (() => Promise<void>)[] = [];
afterEach(async () => {
  for (const stop of running.splice(0)) await stop();
});
const start = async (chores: Chore[], said: string[] = []) => {
  const stop = await startQueue(scratch.ownerUrl, chores, (words) => said.push(words), { everyS: 1 });
  running.push(stop);
  return stop;
};

describe("what has to be done again and again", () => {
  it("is done by one at a time, however many there are, and by another where one is gone", async () => {
    let atOnce = 0;
    let most = 0;
    const by: string[] = [];
    const chore = (who: string): Chore => ({
      name: "count",
      async run() {
        atOnce++;
        most = Math.max(most, atOnce);
        await new Promise((resolve) => setTimeout(resolve, 300));
        atOnce--;
        by.push(who);
        return undefined;
      },
    });
    const stopFirst = await start([chore("first")]);
    await start([chore("second")]);
    await expect.poll(() => by.length, { timeout: 20_000 }).toBeGreaterThan(2);
    await stopFirst();
    const soFar = by.length;
    await expect.poll(() => by.slice(soFar + 1), { timeout: 20_000 }).toContain("second");
    expect(most).toBe(1);
  });

  it("goes on with the next after one that failed, and says why", async () => {
    const said: string[] = [];
    let runs = 0;
    await start(
      [
        {
          name: "fails",
          run: () => {
            runs++;
            return Promise.reject(new Error("The disk is full."));
          },
        },
      ],
      said,
    );
    await expect.poll(() => runs, { timeout: 20_000 }).toBeGreaterThan(1);
    expect(said[0]).toMatch(/fails failed: The disk is full\. It is tried again/);
  });
});

describe("what an installation does by itself", () => {
  it("backs up and reads the books through once a day, and takes away what is over", async () => {
    const shop = await smallShop(scratch, "Chores");
    const { owner, database: app, ownerUrl } = scratch;
    const backupTo = mkdtempSync(join(tmpdir(), "chores-"));
    const insert = (what: string, days: number) =>
      owner.sequelize.query(
        "INSERT INTO audit (shop_id, what, at) VALUES ($1, $2, now() - $3 * interval '1 day')",
        { bind: [shop.shopId, what, days] },
      );
    await insert("signed in", 500);
    await insert("signed in", 300);
    await insert("role changed", 500);
    await owner.sequelize.query(
      "INSERT INTO sessions (shop_id, token_hash, person_id, expires_at) VALUES ($1, 'over', $2, now() - interval '1 minute'), ($1, 'on', $2, now() + interval '1 day')",
      { bind: [shop.shopId, shop.people.lead] },
    );
    const chores = allChores({ owner, app, ownerUrl, backupTo });
    try {
      const first = [];
      for (const { run } of chores) first.push(await run());
      expect(first[0]).toMatch(/restored and the same/);
      expect(first[1]).toMatch(/Chores: every book is unbroken/);
      const again = [];
      for (const { run } of chores) again.push(await run());
      expect(again).toEqual([undefined, undefined, undefined]);
      expect(readdirSync(backupTo)).toHaveLength(1);
      expect(await shop.at(lastVerified)).toMatchObject({ jobs: 1, broken: [] });
      const kept = await owner.sequelize.query<{ what: string }>(
        "SELECT what || ' ' || (now()::date - at::date) AS what FROM audit WHERE shop_id = $1 AND person_id IS NULL AND about = '{}' ORDER BY at",
        { bind: [shop.shopId], type: QueryTypes.SELECT },
      );
      expect(kept.map(({ what }) => what)).toEqual(["role changed 500", "signed in 300"]);
      const sessions = await owner.sequelize.query<{ hash: string }>(
        "SELECT token_hash AS hash FROM sessions WHERE shop_id = $1",
        { bind: [shop.shopId], type: QueryTypes.SELECT },
      );
      expect(sessions).toEqual([{ hash: "on" }]);
    } finally {
      rmSync(backupTo, { recursive: true, force: true });
    }
  });

  it("lets nobody take away what was written down of roles, or signings of this year", async () => {
    for (const sql of [
      "DELETE FROM audit WHERE what = 'role changed'",
      "DELETE FROM audit WHERE at > now() - interval '399 days'",
      "UPDATE audit SET what = 'signed in'",
    ])
      await expect(scratch.owner.sequelize.query(sql)).rejects.toThrow(/append-only/);
  });
});
