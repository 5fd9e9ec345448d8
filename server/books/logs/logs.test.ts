import { createHash, randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { simulate, USUAL_CAR } from "../../../core/trade/thermal/index.ts";
import { writeTrace } from "../../../core/trade/trace/index.ts";
import { readBook } from "../../entries/read-books.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { smallShop } from "../../testing/small-shop.ts";
import { signJob } from "../jobs/sign-job.ts";
import { bookLog, sumUp } from "./book-log.ts";
import { judgeLog } from "./judge-log.ts";
import { readLog } from "./read-log.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const SCRIPT = { ambientC: 18, steps: [{ minutes: 40, rpm: 1500 }] };
const TEXT = writeTrace(simulate(USUAL_CAR, SCRIPT, [], { seed: 2 }).trace);
const log = (text = TEXT, id = randomUUID()) => ({ id, name: "warm-up.csv", text });

describe("booking a log", () => {
  it("keeps the file to the letter and writes its verdicts into the book", async () => {
    const shop = await smallShop(scratch, "Logs");
    const one = log();
    await bookLog(shop.at, shop.jobId, one);
    const kept = await shop.at((desk) => readLog(desk, shop.jobId, one.id));
    expect(createHash("sha256").update(kept.text).digest("hex")).toBe(
      createHash("sha256").update(TEXT).digest("hex"),
    );
    const [entry] = await shop.at((desk) => readBook(desk, shop.jobId));
    expect(entry).toMatchObject({ stage: "prove", item: "warm-up log", data: { logId: one.id, rows: 2401 } });
    expect(entry?.data?.checks).toMatchObject({
      fanOn: { verdict: "pass" },
      thermostat: { verdict: "pass" },
    });
    expect(entry?.text).toMatch(/checks pass/);
  });

  it("takes no change afterwards, from anybody", async () => {
    const shop = await smallShop(scratch, "Stays");
    const one = log();
    await bookLog(shop.at, shop.jobId, one);
    for (const sql of ["UPDATE logs SET name = 'other'", "DELETE FROM logs", "TRUNCATE logs"])
      await expect(scratch.owner.sequelize.query(sql)).rejects.toThrow(/append-only/);
  });

  it("that takes longer than it may is refused, and its process gone", async () => {
    const spec = { thermostatOpensC: 87, fanOnC: [98], fanOffC: [92] };
    const bytes = new TextEncoder().encode(TEXT);
    await expect(judgeLog(bytes, spec, 1)).rejects.toMatchObject({
      message: expect.stringMatching(/takes too long/),
    });
    expect(await judgeLog(bytes, spec)).toMatchObject({ rows: 2401 });
  });

  it("under one id in two places is refused", async () => {
    const [shop, other] = [await smallShop(scratch, "Here"), await smallShop(scratch, "There")];
    const one = log();
    await bookLog(shop.at, shop.jobId, one);
    await expect(bookLog(shop.at, shop.jobId, { ...one, text: `${TEXT}2401,90,18\n` })).rejects.toMatchObject(
      {
        status: 409,
        message: expect.stringMatching(/other contents/),
      },
    );
    await bookLog(other.at, other.jobId, one);
    expect(await other.at((desk) => readBook(desk, other.jobId))).toHaveLength(1);
  });

  it("sent twice is booked once", async () => {
    const shop = await smallShop(scratch, "Again");
    const one = log();
    await bookLog(shop.at, shop.jobId, one);
    await bookLog(shop.at, shop.jobId, one);
    expect(await shop.at((desk) => readBook(desk, shop.jobId))).toHaveLength(1);
  });

  it.each([
    ["nothing", "", /empty/],
    ["no temperature", "time_s,rpm\n0,800\n1,810\n", /coolant temperature/],
    ["one row", "time_s,coolant_C\n0,18\n", /at least two/],
  ])("of %s is refused whole", async (_, text, says) => {
    const shop = await smallShop(scratch, "Refused");
    await expect(bookLog(shop.at, shop.jobId, log(text))).rejects.toMatchObject({
      message: expect.stringMatching(says),
    });
    expect(await shop.at((desk) => readBook(desk, shop.jobId))).toEqual([]);
    const logs = await shop.at(({ models, transaction }) => models.Log.findAll({ transaction }));
    expect(logs).toEqual([]);
  });

  it("on a signed job, another shop's or none is refused, and nobody else reads it", async () => {
    const [ours, theirs] = [await smallShop(scratch, "Near"), await smallShop(scratch, "Far")];
    const one = log();
    await bookLog(ours.at, ours.jobId, one);
    await expect(theirs.at((desk) => readLog(desk, ours.jobId, one.id))).rejects.toMatchObject({
      status: 404,
    });
    await expect(bookLog(theirs.at, ours.jobId, log())).rejects.toMatchObject({
      status: 404,
    });
    await expect(bookLog(ours.at, randomUUID(), log())).rejects.toMatchObject({
      status: 404,
    });
    await ours.at((desk) => signJob(desk, ours.jobId, { id: randomUUID(), reason: "", openSeen: [] }));
    await expect(bookLog(ours.at, ours.jobId, log())).rejects.toMatchObject({ status: 409 });
  });
});

describe("a log in one sentence", () => {
  const check = (verdict: "pass" | "fail" | "not-seen", because = "x.") => ({ verdict, because });
  const all = (verdict: "pass" | "fail" | "not-seen") => {
    const names = ["signal", "soak", "climb", "thermostat", "fanOn", "fanOff", "peak"] as const;
    return Object.fromEntries(names.map((name) => [name, check(verdict)])) as Parameters<
      typeof sumUp
    >[0]["checks"];
  };

  it("counts what passed, and what was not seen only where something wasn't", () => {
    expect(sumUp({ events: [], checks: all("pass"), peakC: 98.2 })).toBe("7 checks pass, hottest 98 °C");
    expect(sumUp({ events: [], checks: { ...all("pass"), fanOn: check("not-seen") }, peakC: 90 })).toMatch(
      /^6 checks pass, 1 not seen/,
    );
  });

  it("says failures first, in their own words", () => {
    const checks = { ...all("pass"), fanOn: check("fail", "It reached 109 °C and the fan did not start.") };
    expect(sumUp({ events: [], checks, peakC: 109 })).toBe(
      "hottest 109 °C. It reached 109 °C and the fan did not start.",
    );
  });
});
