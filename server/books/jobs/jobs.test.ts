import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Entry } from "../../../core/book/entry/index.ts";
import { mayClose } from "../../../core/state/index.ts";
import { readBook } from "../../entries/read-books.ts";
import { recordEntries } from "../../entries/record-entries.ts";
import { addVehicle } from "../../subjects/vehicles/add-vehicle.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { newEntry, smallShop } from "../../testing/small-shop.ts";
import { openJob } from "./open-job.ts";
import { readJob } from "./read-job.ts";
import { signJob } from "./sign-job.ts";

let scratch: Scratch;
let statements = 0;
beforeAll(async () => {
  scratch = await scratchDatabase(() => statements++);
});
afterAll(() => scratch.drop());

/** A second job of the same shop, on the same vehicle once the first is signed. */
async function secondJob(shop: Awaited<ReturnType<typeof smallShop>>): Promise<string> {
  await shop.at(async (desk) => {
    const open = mayClose(await readBook(desk, shop.jobId)).because;
    await signJob(desk, shop.jobId, { id: randomUUID(), reason: "for the second job", openSeen: open });
  });
  const id = randomUUID();
  await shop.at((desk) => openJob(desk, { id, vehicleId: shop.vehicleId, bay: "", assignedTo: null }));
  return id;
}

const bolts: Partial<Entry> = { account: "fastener", item: "M6×20", place: "bag 2", out: 3 };

describe("recordEntries", () => {
  it("numbers a book without holes when many book at once", async () => {
    const shop = await smallShop(scratch, "Holes");
    await Promise.all(Array.from({ length: 24 }, () => shop.book(bolts, { kind: "note", text: "at once" })));
    const book = await shop.at((desk) => readBook(desk, shop.jobId));
    expect(book.map((entry) => entry.seq)).toEqual(Array.from({ length: 48 }, (_, index) => index + 1));
  });

  it("takes a resend for the same entry, also when both arrive at once", async () => {
    const shop = await smallShop(scratch, "Resend");
    const entry = newEntry(bolts);
    const send = () => shop.at((desk) => recordEntries(desk, shop.jobId, [entry]));
    const answers = await Promise.all([send(), send(), send()]);
    expect(answers).toEqual([{ lastSeq: 1 }, { lastSeq: 1 }, { lastSeq: 1 }]);
    expect(await shop.at((desk) => readBook(desk, shop.jobId))).toHaveLength(1);
  });

  it("takes a resend for the same entry that an older version booked in its own words", async () => {
    const shop = await smallShop(scratch, "Older");
    const old = (text: string) =>
      newEntry({
        stage: "ask",
        kind: "reading",
        item: "gauge",
        text,
        account: undefined,
        data: { fact: "gauge", v: 1 },
      });
    const entry = old("in the red");
    await shop.at(async ({ models, transaction, shopId, personId, now }) => {
      const row = { ...entry, seq: 1, at: now, by: personId ?? "", jobId: shop.jobId, shopId };
      await models.Entry.create(row, { transaction });
    });
    const send = (sent: typeof entry) =>
      shop.at((desk) => recordEntries(desk, shop.jobId, [{ ...sent, id: entry.id }]));
    expect(await send(entry)).toEqual({ lastSeq: 1 });
    await expect(send(old("in the middle"))).rejects.toMatchObject({ status: 409 });
    expect(await shop.at((desk) => readBook(desk, shop.jobId))).toHaveLength(1);
  });

  it("lets nothing counted go back twice, whoever ticks it", async () => {
    const shop = await smallShop(scratch, "Twice");
    await shop.book(bolts);
    const tick = { account: "fastener" as const, item: "M6×20", place: "bag 2", in: 3 };
    const answers = await Promise.allSettled([shop.book(tick), shop.book(tick)]);
    expect(answers.map((answer) => answer.status).sort()).toEqual(["fulfilled", "rejected"]);
    await expect(shop.book({ ...tick, in: 1 })).rejects.toMatchObject({
      status: 409,
      message: expect.stringMatching(/back already/),
    });
  });

  it("refuses a known id that says something else, in this book and in another", async () => {
    const [shop, other] = [await smallShop(scratch, "Known"), await smallShop(scratch, "Other")];
    const entry = newEntry(bolts);
    await shop.book(entry);
    await expect(shop.book({ ...entry, out: 4 })).rejects.toMatchObject({ status: 409 });
    await expect(shop.book({ ...entry, data: { fact: "strength", v: 1 } })).rejects.toThrow();
    const second = await secondJob(shop);
    await expect(shop.at((desk) => recordEntries(desk, second, [entry]))).rejects.toMatchObject({
      status: 409,
      message: expect.stringMatching(/another job/),
    });
    await other.book(entry);
    expect(await other.at((desk) => readBook(desk, other.jobId))).toHaveLength(1);
  });

  it("lets a tick be done again whose line was struck, and a struck strike bring the line back", async () => {
    const shop = await smallShop(scratch, "Again");
    const [out, tick, strike] = [
      newEntry(bolts),
      newEntry({ ...bolts, out: undefined, in: 3 }),
      newEntry({}),
    ];
    await shop.book(out, tick);
    await shop.book({ ...strike, corrects: tick.id });
    await shop.book({ ...bolts, out: undefined, in: 3 });
    await expect(shop.book({ corrects: tick.id })).rejects.toMatchObject({ status: 409 });
    const again = await smallShop(scratch, "Back");
    await again.book(out);
    await again.book({ ...strike, corrects: out.id });
    await expect(again.book({ ...bolts, out: undefined, in: 3 })).rejects.toMatchObject({ status: 409 });
    await again.book({ corrects: strike.id });
    await again.book({ ...bolts, out: undefined, in: 3 });
    expect(mayClose(await again.at((desk) => readBook(desk, again.jobId))).closes).toBe(true);
  });

  it("takes the vehicle's distance along with every correction of it", async () => {
    const shop = await smallShop(scratch, "Distance");
    const km = async () =>
      (
        await shop.at((desk) =>
          desk.models.Vehicle.findOne({ where: { id: shop.vehicleId }, transaction: desk.transaction }),
        )
      )?.distanceKm;
    const read = (value: number, more: Partial<Entry> = {}) =>
      newEntry({
        stage: "ask",
        kind: "reading",
        item: "distance",
        value,
        unit: "km",
        data: { fact: "distance", v: 1 },
        ...more,
      });
    const wrong = read(884_220);
    await shop.book(wrong);
    expect(await km()).toBe(884_220);
    const right = read(84_220, { corrects: wrong.id });
    await shop.book(right);
    expect(await km()).toBe(84_220);
    await shop.book({ kind: "reading", corrects: right.id });
    expect(await km()).toBe(884_220);
    await shop.book({ kind: "reading", corrects: wrong.id });
    expect(await km()).toBe(1000);
  });

  it("leaves the vehicle at the furthest-on job's distance when an earlier job's is corrected", async () => {
    const shop = await smallShop(scratch, "Earlier");
    const read = (value: number, more: Partial<Entry> = {}) =>
      newEntry({
        stage: "ask",
        kind: "reading",
        item: "distance",
        value,
        unit: "km",
        data: { fact: "distance", v: 1 },
        ...more,
      });
    const early = read(50_000);
    await shop.book(early);
    const second = await secondJob(shop);
    const late = read(61_000);
    await shop.at((desk) => recordEntries(desk, second, [late]));
    await shop.book(read(51_000, { corrects: early.id }));
    const km = async () => (await shop.at((desk) => readJob(desk, second)))?.vehicle.distanceKm;
    expect(await km()).toBe(61_000);
    await shop.at((desk) => recordEntries(desk, second, [newEntry({ kind: "reading", corrects: late.id })]));
    expect(await km()).toBe(51_000);
  });

  it("tells what the car had run before this job, by another job or a level, and not by this one", async () => {
    const shop = await smallShop(scratch, "Before");
    const read = (value: number) =>
      newEntry({
        ...{ stage: "ask", kind: "reading", item: "distance", value, unit: "km" },
        data: { fact: "distance", v: 1 },
      });
    const ranBefore = async (id: string) => (await shop.at((desk) => readJob(desk, id))).ranBeforeKm;
    await shop.book(read(50_000));
    expect(await ranBefore(shop.jobId)).toBe(1000);
    const second = await secondJob(shop);
    expect(await ranBefore(second)).toBe(50_000);
    await shop.at((desk) => recordEntries(desk, second, [read(61_000)]));
    expect(await ranBefore(second)).toBe(50_000);
  });

  it("lets nobody write or strike by hand what only the program writes", async () => {
    const shop = await smallShop(scratch, "Hands");
    await expect(
      shop.book({ kind: "decision", item: "signed", data: { fact: "signature", v: 1, open: [] } }),
    ).rejects.toMatchObject({ message: expect.stringMatching(/program itself/) });
    const finding = newEntry({
      stage: "find",
      kind: "decision",
      item: "finding",
      text: "x",
      data: { fact: "finding", v: 1, finding: "fault" },
    });
    await shop.book(finding);
    await expect(shop.book({ kind: "note", text: "not so", corrects: finding.id })).rejects.toMatchObject({
      status: 409,
    });
    await shop.at((desk) => signJob(desk, shop.jobId, { id: randomUUID(), reason: "", openSeen: [] }));
    await expect(shop.book({ kind: "decision", corrects: finding.id })).rejects.toMatchObject({
      message: expect.stringMatching(/on Find/),
    });
    const signature = (await shop.at((desk) => readBook(desk, shop.jobId))).at(-1);
    await expect(shop.book({ kind: "decision", corrects: signature?.id })).rejects.toMatchObject({
      message: expect.stringMatching(/signature stays/i),
    });
  });

  it("books nothing of a batch when one of it is refused", async () => {
    const shop = await smallShop(scratch, "Batch");
    await expect(
      shop.book({ kind: "note", text: "first" }, { ...bolts, out: undefined, in: 2 }),
    ).rejects.toThrow();
    expect(await shop.at((desk) => readBook(desk, shop.jobId))).toEqual([]);
  });

  it("corrects an entry once and by name", async () => {
    const shop = await smallShop(scratch, "Correct");
    const entry = newEntry(bolts);
    await shop.book(entry);
    await shop.book({ ...bolts, out: 4, corrects: entry.id });
    await expect(shop.book({ ...bolts, out: 5, corrects: entry.id })).rejects.toMatchObject({ status: 409 });
    await expect(shop.book({ ...bolts, corrects: randomUUID() })).rejects.toMatchObject({ status: 404 });
  });

  it("keeps when it was typed, but not a clock that is a month out", async () => {
    const shop = await smallShop(scratch, "Clock");
    const typed = new Date(Date.now() - 3_600_000).toISOString();
    await shop.book(
      { kind: "note", text: "offline", at: typed },
      { kind: "note", text: "wrong clock", at: "2020-01-01T00:00:00.000Z" },
    );
    const book = await shop.at((desk) => readBook(desk, shop.jobId));
    expect(book[0]?.at).toBe(typed);
    expect(Date.now() - new Date(book[1]?.at ?? 0).getTime()).toBeLessThan(60_000);
  });
});

describe("the database itself", () => {
  it.each([
    "UPDATE entries SET text = 'other'",
    "DELETE FROM entries",
    "TRUNCATE entries CASCADE",
    "UPDATE audit SET what = 'other'",
    "DELETE FROM audit",
  ])("refuses %s to the application and to the owner", async (sql) => {
    const shop = await smallShop(scratch, "Append");
    await shop.book(bolts);
    await shop.at(({ models, shopId, transaction }) =>
      models.Audit.create({ shopId, what: "seen" }, { transaction }),
    );
    await expect(
      shop.at(({ sequelize, transaction }) => sequelize.query(sql, { transaction })),
    ).rejects.toThrow(/permission denied|append-only/);
    await expect(scratch.owner.sequelize.query(sql)).rejects.toThrow(/append-only/);
  });

  it("works as a role that owns nothing and can't get round row security", async () => {
    const [[role]] = await scratch.database.sequelize.query(
      "SELECT rolsuper, rolbypassrls, rolcreaterole, (SELECT count(*)::int FROM pg_tables WHERE tableowner = current_user) AS owned FROM pg_roles WHERE rolname = current_user",
    );
    expect(role).toEqual({ rolsuper: false, rolbypassrls: false, rolcreaterole: false, owned: 0 });
  });

  it("refuses a movement without an account, half a bolt, and two figures at once", async () => {
    const shop = await smallShop(scratch, "Checks");
    await expect(shop.book({ account: undefined, item: "bolt", out: 1 })).rejects.toThrow();
    await expect(shop.book({ ...bolts, out: 1.5 })).rejects.toThrow();
    await expect(shop.book({ ...bolts, in: 1 })).rejects.toThrow();
  });
});

describe("openJob", () => {
  it("opens one job at a time on a vehicle, and the same one on a resend", async () => {
    const shop = await smallShop(scratch, "Open");
    const job = { id: randomUUID(), vehicleId: shop.vehicleId, bay: "", assignedTo: null };
    await expect(shop.at((desk) => openJob(desk, job))).rejects.toMatchObject({
      status: 409,
      message: expect.stringMatching(/Job 1 is still open/),
    });
    expect(await shop.at((desk) => openJob(desk, { ...job, id: shop.jobId }))).toEqual({
      id: shop.jobId,
      number: 1,
    });
  });

  it("refuses an id that stands for a job on another vehicle", async () => {
    const shop = await smallShop(scratch, "Two");
    const vehicleId = randomUUID();
    const vehicle = {
      id: vehicleId,
      plate: "TWO 2",
      vin: "0ZZTWTWTWTWTWTW22",
      name: "Finch",
      use: "",
      distanceKm: null,
      card: null,
    };
    await shop.at((desk) => addVehicle(desk, vehicle));
    await expect(
      shop.at((desk) => openJob(desk, { id: shop.jobId, vehicleId, bay: "", assignedTo: null })),
    ).rejects.toMatchObject({ status: 409, message: expect.stringMatching(/on another vehicle/) });
    await shop.at((desk) => addVehicle(desk, vehicle));
    await expect(shop.at((desk) => addVehicle(desk, { ...vehicle, plate: "TWO 3" }))).rejects.toMatchObject({
      status: 409,
    });
  });
});

describe("readJob", () => {
  it("asks the database as often for 500 entries as for one", async () => {
    const shop = await smallShop(scratch, "Queries");
    const count = async () => {
      statements = 0;
      await shop.at((desk) => readJob(desk, shop.jobId));
      return statements;
    };
    await shop.book({ kind: "note", text: "one" });
    const forOne = await count();
    await shop.book(
      ...Array.from({ length: 499 }, (_, index) => ({ kind: "note" as const, text: `note ${index}` })),
    );
    expect(await count()).toBe(forOne);
  });
});
