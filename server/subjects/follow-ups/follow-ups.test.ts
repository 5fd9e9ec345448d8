import { randomUUID } from "node:crypto";
import { sync } from "node-ical";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { correctedIds } from "../../../core/book/entry/index.ts";
import { CorrectionReason, dataOf, FOLLOW_UP_DOES, FollowUpSaid } from "../../../core/book/facts/index.ts";
import { seededRandom } from "../../../core/kernel/chance/index.ts";
import { addDays, dayInZone } from "../../../core/kernel/days/index.ts";
import { promisesOf } from "../../../core/stages/plan/index.ts";
import { mayClose } from "../../../core/state/index.ts";
import { exportJob } from "../../books/jobs/export-job.ts";
import { readInJob } from "../../books/jobs/read-in-job.ts";
import { signJob } from "../../books/jobs/sign-job.ts";
import { atDesk } from "../../database/connection.ts";
import { readBook } from "../../entries/read-books.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { newEntry, smallShop } from "../../testing/small-shop.ts";
import { findCalendar, newCalendarAddress, writeCalendar } from "./calendar.ts";
import { changeRules } from "./change-rules.ts";
import { readPromises } from "./read-promises.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const DAY_MS = 86_400_000;
const TODAY = dayInZone(new Date(), "UTC");
const poured = { account: "coolant", item: "poured", in: 4, unit: "L", stage: "fill" } as const;
const drained = { account: "coolant", item: "drained", out: 4, unit: "L" } as const;

async function signedShop(
  name: string,
  more: Parameters<Awaited<ReturnType<typeof smallShop>>["book"]> = [],
) {
  const shop = await smallShop(scratch, name);
  await shop.book(drained, poured, ...more);
  await shop.at(async (desk) =>
    signJob(desk, shop.jobId, {
      id: randomUUID(),
      reason: "the owner has to go, and comes back",
      openSeen: mayClose(await readBook(desk, shop.jobId)).because,
    }),
  );
  const on = (days: number) => ({
    shopId: shop.shopId,
    personId: shop.people.technician,
    now: new Date(Date.now() + days * DAY_MS),
  });
  const due = (days: number, ahead = 0) =>
    atDesk(scratch.told, on(days), (desk) => readPromises(desk, { days: ahead }));
  const say = (key: string, does: FollowUpSaid["does"], fields: Partial<FollowUpSaid> = {}) =>
    shop.book(
      newEntry({
        stage: "sign",
        kind: "decision",
        item: "second look",
        text: does,
        data: dataOf(FollowUpSaid, {
          key,
          does,
          what: "level again",
          because: "as the owner wants",
          ...fields,
        }),
      }),
    );
  return { ...shop, due, say };
}

describe("second looks", () => {
  it("are promised by the shop's rules as a job is signed, and come up on their day", async () => {
    const { due, at, jobId } = await signedShop("Fell");
    expect((await due(0)).length).toBe(0);
    expect(await due(1)).toMatchObject([{ key: "cold-level", on: addDays(TODAY, 1), isDue: true }]);
    expect((await due(0, 7)).map(({ key, isDue }) => [key, isDue])).toEqual([
      ["cold-level", false],
      ["level-again", false],
    ]);
    const book = await at((desk) => readBook(desk, jobId));
    expect(promisesOf(book).map(({ key }) => key)).toEqual(["cold-level", "level-again"]);
    expect(book.at(-1)?.item).toBe("signed");
  });

  it("are kept, moved and dropped after the signature, the last two with a reason; nothing else is booked then", async () => {
    const { due, say, book } = await signedShop("Gill");
    await say("cold-level", "done");
    expect((await due(1)).length).toBe(0);
    await say("level-again", "moved", { on: addDays(TODAY, 20) });
    expect((await due(19)).length).toBe(0);
    expect((await due(20)).length).toBe(1);
    await expect(say("level-again", "dropped", { because: undefined })).rejects.toThrow(/Why/);
    await say("level-again", "dropped");
    expect((await due(400)).length).toBe(0);
    await expect(book({ kind: "note", text: "one more" })).rejects.toMatchObject({ status: 409 });
    const why = newEntry({
      kind: "note",
      text: "well",
      data: dataOf(CorrectionReason, { line: randomUUID() }),
    });
    await expect(book(why)).rejects.toMatchObject({ status: 404 });
  });

  it("are in the table what the book says of them, whatever is said, corrected and struck", async () => {
    const shop = await signedShop("Force");
    const random = seededRandom(7);
    const pick = <Each>(list: readonly Each[]) => list[Math.floor(random() * list.length)] as Each;
    for (let act = 0; act < 60; act++) {
      const before = await shop.at((desk) => readBook(desk, shop.jobId));
      const corrected = correctedIds(before);
      const mine = before.filter(({ id, item }) => item === "second look" && !corrected.has(id));
      const isStrike = random() < 0.3 && mine.length > 0;
      const data = dataOf(FollowUpSaid, {
        key: pick(["cold-level", "level-again", "own-1", "own-2"]),
        does: pick(FOLLOW_UP_DOES),
        what: "look",
        because: "as it came",
        ...(random() < 0.7 ? { on: addDays(TODAY, Math.floor(random() * 30)) } : {}),
        ...(random() < 0.4 ? { byKm: Math.floor(random() * 5000) } : {}),
      });
      const draft = isStrike
        ? { kind: "decision" as const, corrects: pick(mine).id }
        : { kind: "decision" as const, stage: "sign" as const, item: "second look", text: "said", data };
      await shop.book(newEntry(draft));
      const book = await shop.at((desk) => readBook(desk, shop.jobId));
      const rows = await shop.at(({ models, transaction }) =>
        models.FollowUpRow.findAll({ where: { jobId: shop.jobId }, transaction, raw: true }),
      );
      const told = rows.map(({ key, state, dueOn, dueKm }) => ({ key, state, on: dueOn, byKm: dueKm }));
      const said = promisesOf(book).map(({ key, state, on = null, byKm = null }) => ({
        key,
        state,
        on,
        byKm,
      }));
      const byKey = (a: { key: string }, b: { key: string }) => (a.key < b.key ? -1 : 1);
      expect(told.sort(byKey)).toEqual(said.sort(byKey));
    }
  });

  it("come up by distance where that is read first", async () => {
    const shop = await signedShop("Beck", [
      { kind: "reading", item: "distance", value: 5000, unit: "km", data: { fact: "distance", v: 1 } },
    ]);
    expect((await shop.due(0)).length).toBe(0);
    await shop.at(({ models, transaction }) =>
      models.Vehicle.update({ distanceKm: 5500 }, { where: { id: shop.vehicleId }, transaction }),
    );
    expect(await shop.due(0)).toMatchObject([{ key: "level-again", byKm: 5500, isDue: true }]);
  });

  it("follow the shop's own rules once it has made some", async () => {
    const shop = await smallShop(scratch, "Tarn");
    await shop.at((desk) =>
      changeRules(desk, [{ id: "own", words: "look under it", after: "any", days: 3 }]),
    );
    await shop.book({ kind: "note", text: "looked at" });
    await shop.at((desk) => signJob(desk, shop.jobId, { id: randomUUID(), reason: "", openSeen: [] }));
    const book = await shop.at((desk) => readBook(desk, shop.jobId));
    expect(promisesOf(book)).toMatchObject([{ key: "own", what: "look under it", on: addDays(TODAY, 3) }]);
    await expect(
      shop.at((desk) =>
        changeRules(desk, [
          { id: "own", words: "a", after: "any", days: 3 },
          { id: "own", words: "b", after: "any", days: 3 },
        ]),
      ),
    ).rejects.toThrow(/same name/);
  });

  it("dropped before the signature are not promised again by it", async () => {
    const shop = await smallShop(scratch, "Pike");
    await shop.book(drained, poured, {
      stage: "sign",
      kind: "decision",
      item: "second look",
      text: "dropped",
      data: dataOf(FollowUpSaid, {
        key: "cold-level",
        does: "dropped",
        what: "level, cold",
        because: "the car is sold",
      }),
    });
    await shop.at(async (desk) =>
      signJob(desk, shop.jobId, {
        id: randomUUID(),
        reason: "sold as it stands",
        openSeen: mayClose(await readBook(desk, shop.jobId)).because,
      }),
    );
    const states = promisesOf(await shop.at((desk) => readBook(desk, shop.jobId)));
    expect(states.map(({ key, state }) => [key, state])).toEqual([
      ["cold-level", "dropped"],
      ["level-again", "open"],
    ]);
  });

  it("travel with a job that is read in elsewhere, and no other shop sees them", async () => {
    const shop = await signedShop("Moor");
    const file = JSON.parse(JSON.stringify(await shop.at((desk) => exportJob(desk, shop.jobId))));
    const other = await smallShop(scratch, "Dale");
    const looks = () => other.at((desk) => readPromises(desk, { days: 30 }));
    expect(await looks()).toEqual([]);
    await readInJob(other.asLead, file);
    expect((await looks()).map(({ key }) => key)).toEqual(["cold-level", "level-again"]);
  });
});

describe("the calendar", () => {
  it("opens by its secret alone, until that is changed", async () => {
    const shop = await signedShop("Scar");
    const first = await shop.at(newCalendarAddress, shop.people.lead);
    const read = (token: string) => findCalendar(scratch.database, token, "https://ledger.invalid");
    expect(await read(first)).toContain("BEGIN:VCALENDAR");
    const guesses = [
      "",
      "x",
      shop.shopId,
      `${shop.shopId}.${"A".repeat(43)}`,
      first.slice(0, -1),
      `${first}A`,
    ];
    for (const guess of guesses) expect(await read(guess)).toBeUndefined();
    const second = await shop.at(newCalendarAddress, shop.people.lead);
    expect(await read(first)).toBeUndefined();
    expect(await read(second)).toContain("BEGIN:VCALENDAR");
  });

  it("is read back by another's parser: one whole-day event each, on its day, in no zone", async () => {
    const shop = await signedShop("Crag");
    const token = await shop.at(newCalendarAddress, shop.people.lead);
    const text = (await findCalendar(scratch.database, token, "https://ledger.invalid")) ?? "";
    const events = Object.values(sync.parseICS(text)).flatMap((each) =>
      each?.type === "VEVENT" ? [each] : [],
    );
    expect(events.length).toBe(2);
    const [first] = events.sort((a, b) => a.start.getTime() - b.start.getTime());
    expect(first?.datetype).toBe("date");
    expect(String(first?.summary)).toMatch(/^CRA \d+: level and cap, cold/);
    const { start } = first as { start: Date };
    const day = [start.getFullYear(), start.getMonth() + 1, start.getDate()]
      .map((part) => String(part).padStart(2, "0"))
      .join("-");
    expect(day).toBe(addDays(TODAY, 1));
  });

  it("holds whatever people write, one line each", () => {
    const what = 'level, "again"; \\ \r\nBEGIN:VEVENT\nunter dem Tank — 水箱';
    const text = writeCalendar(
      [
        {
          jobId: randomUUID(),
          number: 7,
          key: "own\r\nEND:VEVENT\r\nBEGIN:VEVENT\r\nSUMMARY:forged",
          what,
          vehicleId: randomUUID(),
          plate: "MRW 1",
          name: "Brindle, Wayfarer",
          on: "2031-03-06",
          byKm: 500,
          distanceKm: 1,
          isDue: false,
        },
      ],
      {
        shopName: "A; B, C",
        host: "https://ledger.invalid",
        now: new Date("2031-03-01T08:00:00Z"),
        system: "us",
      },
    );
    const events = Object.values(sync.parseICS(text)).flatMap((each) =>
      each?.type === "VEVENT" ? [each] : [],
    );
    expect(events.length).toBe(1);
    expect(text).not.toMatch(/^SUMMARY:forged/m);
    expect(String(events[0]?.summary)).toContain("水箱");
    expect(String(events[0]?.description)).toMatch(/Or at 311.mi/);
    for (const line of text.split("\r\n")) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });
});
