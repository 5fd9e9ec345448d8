import { randomUUID } from "node:crypto";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { USUAL_CAR } from "../../../core/trade/thermal/index.ts";
import { readTrace } from "../../../core/trade/trace/index.ts";
import { type Adapter, startAdapter } from "../../../stand-ins/scan-adapter/adapter.ts";
import { readBook } from "../../entries/read-books.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { smallShop } from "../../testing/small-shop.ts";
import { signJob } from "../jobs/sign-job.ts";
import { readLog } from "../logs/read-log.ts";
import { dropLiveLog, keepLiveLog } from "./keep-live-log.ts";
import { liveLogsOf } from "./live-log.ts";
import { startLiveRecorders } from "./live-recorders.ts";
import { readLiveLog } from "./read-live-log.ts";
import { startLiveLog } from "./start-live-log.ts";
import { askLiveCar, markLiveLog, stopLiveLog, unmarkLiveLog } from "./tell-live-log.ts";

let scratch: Scratch;
let adapter: Adapter;
beforeAll(async () => {
  scratch = await scratchDatabase();
  adapter = await startAdapter({
    cars: { courier: { car: USUAL_CAR, takesCommands: true } },
    delayMs: [0, 2],
  });
});
afterAll(async () => {
  await adapter.close();
  await scratch.drop();
});

const recorders: (() => Promise<void>)[] = [];
const recording = () => {
  const stop = startLiveRecorders(scratch.database, { everyMs: 50 });
  recorders.push(stop);
  return stop;
};
afterEach(async () => {
  for (const stop of recorders.splice(0)) await stop();
});

async function shopWithAdapter(name: string, port = adapter.port) {
  const shop = await smallShop(scratch, name);
  await scratch.owner.sequelize.query("UPDATE shops SET adapter = $2 WHERE id = $1", {
    bind: [shop.shopId, JSON.stringify({ host: "127.0.0.1", port })],
  });
  const id = randomUUID();
  return {
    ...shop,
    id,
    start: (more: object = {}) =>
      shop.at((desk) =>
        startLiveLog(desk, shop.jobId, { id, perSecond: 5, opening: "car courier pace 60", ...more }),
      ),
    read: (after?: string) => shop.at((desk) => readLiveLog(desk, shop.jobId, id, after)),
  };
}

const until = (holds: () => Promise<boolean>) => expect.poll(holds, { timeout: 30_000 }).toBe(true);

describe("a log that is recorded live", () => {
  it("grows, is marked, stopped and kept as any log is, with what was said in it", async () => {
    const shop = await shopWithAdapter("Grows");
    recording();
    await shop.start({ restedH: 12 });
    await until(async () => (await shop.read()).samples.length > 8);
    const first = await shop.read();
    expect(first.pace).toBe(60);
    expect(first.samples[0]?.coolantC).toBeGreaterThan(10);
    await shop.at((desk) => markLiveLog(desk, shop.jobId, shop.id, { id: randomUUID(), what: "fan low on" }));
    const wrong = randomUUID();
    await shop.at((desk) => markLiveLog(desk, shop.jobId, shop.id, { id: wrong, what: "fan high on" }));
    await shop.at((desk) => unmarkLiveLog(desk, shop.jobId, shop.id, wrong));
    await until(async () => (await shop.read(first.upTo)).samples.length > 3);
    await expect(keepLiveLog(shop.at, shop.jobId, shop.id, "live.csv")).rejects.toThrow(/recorded still/);
    await shop.at((desk) => stopLiveLog(desk, shop.jobId, shop.id));
    await until(async () => (await shop.read()).endedAt !== undefined);
    const all = await shop.read();
    expect(all.marks.map(({ what }) => what)).toEqual(["fan low on"]);
    await keepLiveLog(shop.at, shop.jobId, shop.id, "live.csv");
    await keepLiveLog(shop.at, shop.jobId, shop.id, "live.csv").catch(() => undefined);
    const kept = await shop.at((desk) => readLog(desk, shop.jobId, shop.id));
    const { trace } = readTrace(kept.text);
    expect(trace?.s.length).toBe(all.samples.filter(({ coolantC }) => coolantC !== undefined).length);
    expect(trace?.marks.map(({ what }) => what)).toEqual(["fan low on"]);
    const [entry] = await shop.at((desk) => readBook(desk, shop.jobId));
    expect(entry).toMatchObject({ item: "warm-up log", data: { logId: shop.id, restedH: 12 } });
    expect(await shop.at((desk) => liveLogsOf(desk, shop.jobId))).toEqual([]);
  });

  it("goes on where the process that read it is gone, and loses no more than that took", async () => {
    const shop = await shopWithAdapter("Taken");
    recording();
    await shop.start();
    await until(async () => (await shop.read()).samples.length > 4);
    // Another reads it in the first one's name, as if that had been killed with its turn still held.
    await scratch.owner.sequelize.query(
      "UPDATE live_log_turns SET reader = gen_random_uuid(), until_at = clock_timestamp() + interval '3 seconds' WHERE log_id = $1",
      { bind: [shop.id] },
    );
    const before = await shop.read();
    await until(async () => (await shop.read(before.upTo)).samples.length > 8);
    const { samples } = await shop.read();
    const moments = samples.map(({ s }) => s);
    expect(new Set(moments).size).toBe(moments.length);
    expect(samples.flatMap(({ gap }) => gap ?? [])).toEqual([
      expect.stringMatching(/^nothing read for \d+ s: The process that read it was gone\.$/),
    ]);
    expect(samples.at(-1)?.coolantC).toBeGreaterThan(samples[0]?.coolantC ?? 99);
  });

  it("goes on over an adapter that was lost, with the gap marked and the same engine behind it", async () => {
    const shop = await shopWithAdapter("Dropped");
    recording();
    await shop.start();
    await until(async () => (await shop.read()).samples.length > 4);
    const before = await shop.read();
    adapter.drop();
    await until(async () => (await shop.read(before.upTo)).samples.some(({ gap }) => gap !== undefined));
    await until(async () => ((await shop.read(before.upTo)).samples.at(-1)?.coolantC ?? 0) > 20);
    const { samples } = await shop.read();
    const at = samples.findIndex(({ gap }) => gap !== undefined);
    expect(samples[at]?.gap).toMatch(
      /^nothing read for \d+ s: The (?:adapter hung up|line to the adapter broke)\.$/,
    );
    expect(samples[at + 1]?.coolantC).toBeGreaterThanOrEqual((samples[at - 1]?.coolantC ?? 99) - 2);
  });

  it("says what is wrong where no adapter answers, and is stopped all the same", async () => {
    const shop = await shopWithAdapter("Nowhere", 1);
    recording();
    await shop.start();
    await until(async () => /No adapter answers at 127\.0\.0\.1:1/.test((await shop.read()).trouble ?? ""));
    await shop.at((desk) => stopLiveLog(desk, shop.jobId, shop.id));
    await until(async () => (await shop.read()).endedAt !== undefined);
    await expect(keepLiveLog(shop.at, shop.jobId, shop.id, "none.csv")).rejects.toMatchObject({
      status: 422,
    });
    await shop.at((desk) => dropLiveLog(desk, shop.jobId, shop.id));
    expect(await shop.at((desk) => liveLogsOf(desk, shop.jobId))).toEqual([]);
  });

  it("asks the car for its codes, its fan, and to forget", async () => {
    const shop = await shopWithAdapter("Codes");
    recording();
    await shop.start({ opening: "car courier faults sensor-open pace 60" });
    await until(async () => (await shop.read()).s > 150);
    for (const ask of ["codes", "fan-on", "clear"] as const)
      await shop.at((desk) => askLiveCar(desk, shop.jobId, shop.id, { id: randomUUID(), ask }));
    await until(async () => (await shop.read()).asks.every(({ answer }) => answer));
    const asks = (await shop.read()).asks.map(({ ask, answer }) => [ask, answer?.is, answer?.codes]);
    expect(asks).toContainEqual(["codes", "codes", ["P0118"]]);
    expect(asks).toContainEqual(["clear", "done", undefined]);
    expect(asks).toContainEqual(["fan-on", "done", undefined]);
    expect((await shop.read()).samples.at(-1)?.coolantC).toBe(-40);
  });

  it("is one a job at a time, refused without an adapter, in a signed job, and to another shop", async () => {
    const shop = await shopWithAdapter("One");
    await shop.start();
    await shop.start();
    await expect(shop.start({ id: randomUUID() })).rejects.toMatchObject({ status: 409 });
    const bare = await smallShop(scratch, "Bare");
    const begin = (opening = "") =>
      bare.at((desk) => startLiveLog(desk, bare.jobId, { id: randomUUID(), perSecond: 4, opening }));
    await expect(begin()).rejects.toThrow(/no diagnostic adapter/);
    await expect(begin("FLUSHALL")).rejects.toMatchObject({ fields: { opening: expect.any(String) } });
    await expect(bare.at((desk) => readLiveLog(desk, shop.jobId, shop.id))).rejects.toMatchObject({
      status: 404,
    });
    await expect(bare.at((desk) => stopLiveLog(desk, bare.jobId, shop.id))).rejects.toMatchObject({
      status: 404,
    });
    await expect(
      shop.at((desk) => signJob(desk, shop.jobId, { id: randomUUID(), reason: "done", openSeen: [] })),
    ).rejects.toThrow(/log.*(?:keep|throw)/i);
  });

  it("shows a process that takes turns no more of another's log than its ids", async () => {
    const shop = await shopWithAdapter("Private");
    await shop.start();
    const seen = await scratch.database.sequelize.transaction(async (transaction) => {
      await scratch.database.sequelize.query("SELECT set_config('app.takes_turns', 'yes', true)", {
        transaction,
      });
      const count = async (table: string) =>
        (await scratch.database.sequelize.query(`SELECT * FROM ${table}`, { transaction }))[0].length;
      return [await count("live_log_turns"), await count("live_logs"), await count("live_log_parts")];
    });
    expect(seen[0]).toBeGreaterThan(0);
    expect(seen.slice(1)).toEqual([0, 0]);
  });
});
