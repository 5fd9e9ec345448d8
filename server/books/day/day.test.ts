import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { chosePart, decided, promisedReady, waits } from "../../../core/book/acts/index.ts";
import { mayClose } from "../../../core/state/index.ts";
import { atDesk } from "../../database/connection.ts";
import { readBook } from "../../entries/read-books.ts";
import { changeHours } from "../../subjects/shops/read-shop.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { newEntry, smallShop } from "../../testing/small-shop.ts";
import { signJob } from "../jobs/sign-job.ts";
import { holdPiece, letGo } from "./hold-piece.ts";
import { backAgain, noteAway } from "./note-away.ts";
import { readMineNow } from "./read-mine-now.ts";
import { readToday } from "./read-today.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const ALWAYS = { days: [1, 2, 3, 4, 5, 6, 7], opens: "06:00", closes: "20:00", breaks: [], lifts: 2 };
/** A loaded machine takes its time, and lays the same day. */
const PATIENT_MS = 60_000;
/** A morning some days ahead, so that whatever is booked now lies behind it. */
const MORNING = new Date(new Date(Date.now() + 3 * 86_400_000).setUTCHours(8, 0, 0, 0));
const later = (minutes: number) => new Date(MORNING.getTime() + minutes * 60_000);

async function shopWithWork(name: string) {
  const shop = await smallShop(scratch, name);
  await shop.asLead((desk) => changeHours(desk, ALWAYS));
  await shop.book(
    { ...decided("leak-radiator", "leaks at the seam"), stage: "find" },
    { ...chosePart({ item: "radiator", grade: "pattern", supplier: "Tansy & Rudge" }), stage: "plan" },
  );
  const at =
    (now: Date, personId: string = shop.people.technician) =>
    <Result>(work: Parameters<typeof atDesk<Result>>[2]) =>
      atDesk(scratch.told, { shopId: shop.shopId, personId, now }, work);
  return { ...shop, today: (now = MORNING) => readToday(at(now), PATIENT_MS), when: at };
}

describe("a shop's day", () => {
  it("is laid out of its books, for those who work with their hands, and is the same for everybody", async () => {
    const shop = await shopWithWork("Laid");
    const first = await shop.today();
    expect([...first.hands].sort()).toEqual([shop.people.lead, shop.people.technician].sort());
    expect(first.laid.slips.length).toBeGreaterThan(5);
    expect(first.laid.slips[0]).toMatchObject({ jobId: shop.jobId, from: MORNING.toISOString() });
    const second = await readToday(shop.when(later(1), shop.people.lead), PATIENT_MS);
    expect(second.laid).toEqual(first.laid);
    const [own] = first.laid.slips[0]?.people ?? [];
    const mine = await shop.when(later(1), own)(readMineNow);
    expect(mine.map(({ jobId }) => jobId)).toEqual([shop.jobId]);
  });

  it("is laid anew where nobody has begun, and as soon as a line says otherwise, with what isn't touched where it was", async () => {
    const shop = await shopWithWork("Anew");
    const before = await shop.today();
    const slipped = await shop.today(later(20));
    expect(slipped.laid.laidAt).not.toBe(before.laid.laidAt);
    expect(slipped.laid.slips[0]?.from).toBe(later(20).toISOString());
    const van = later(180).toISOString();
    await shop.book({ ...waits("parts", "on the late van", van), stage: "plan" });
    const held = await shop.today(later(21));
    expect(held.laid.slips.find(({ piece }) => piece === "plan:box")?.from).toBe(van);
  });

  it("goes round whoever is away and a lift that is out, and comes back", async () => {
    const shop = await shopWithWork("Away");
    const ids = [randomUUID(), randomUUID()];
    const span = { from: MORNING.toISOString(), until: later(240).toISOString() };
    const away = { id: ids[0] ?? "", personId: shop.people.technician, ...span };
    await shop.at((desk) => noteAway(desk, away));
    await shop.at((desk) => noteAway(desk, away));
    await shop.at((desk) => noteAway(desk, { id: ids[1] ?? "", lift: 1, ...span }));
    const { laid, away: noted } = await shop.today();
    expect(noted.length).toBe(2);
    const theirs = laid.slips.filter(({ people }) => people.includes(shop.people.technician));
    expect(theirs.every(({ from, until }) => from >= span.until || until <= span.from)).toBe(true);
    for (const id of ids) await shop.at((desk) => backAgain(desk, id));
    expect((await shop.today()).away).toEqual([]);
    await expect(
      shop.at((desk) => noteAway(desk, { ...away, id: randomUUID(), until: away.from })),
    ).rejects.toMatchObject({ status: 422 });
  });

  it("holds a piece where it is put, tells whoever hasn't seen that, and forgets it with the job", async () => {
    const shop = await shopWithWork("Held");
    const hold = { jobId: shop.jobId, piece: "plan:box", at: later(90).toISOString() };
    await shop.at((desk) => holdPiece(desk, { ...hold, personId: shop.people.lead }));
    const { laid, holds } = await shop.today();
    expect(laid.slips.find(({ piece }) => piece === "plan:box")).toMatchObject({
      from: hold.at,
      people: [shop.people.lead],
    });
    await expect(shop.at((desk) => holdPiece(desk, hold), shop.people.lead)).rejects.toMatchObject({
      status: 409,
    });
    const seen = holds[0]?.heldAt ?? "";
    await shop.at((desk) => holdPiece(desk, { ...hold, seen }), shop.people.lead);
    await expect(shop.at((desk) => letGo(desk, { ...hold, seen }))).rejects.toMatchObject({ status: 409 });
    const again = (await shop.today()).holds[0]?.heldAt ?? "";
    await shop.at((desk) => letGo(desk, { ...hold, seen: again }));
    expect((await shop.today()).holds).toEqual([]);
    for (const wrong of [{ jobId: randomUUID() }, { personId: randomUUID() }, { jobId: "x" }])
      await expect(shop.at((desk) => holdPiece(desk, { ...hold, ...wrong }))).rejects.toMatchObject({
        status: 404,
      });
  });

  it("is nobody else's: another shop sees neither its day nor what is held in it", async () => {
    const [one, other] = [await shopWithWork("One"), await shopWithWork("Other")];
    await one.today();
    const hold = { jobId: one.jobId, piece: "plan:box", at: later(30).toISOString() };
    await expect(other.at((desk) => holdPiece(desk, hold))).rejects.toMatchObject({ status: 404 });
    const { laid, names } = await other.today();
    expect(laid.slips.every(({ jobId }) => jobId === other.jobId)).toBe(true);
    expect(Object.keys(names)).not.toContain(one.people.lead);
    await expect(
      other.at((desk) =>
        noteAway(desk, {
          id: randomUUID(),
          personId: one.people.lead,
          from: hold.at,
          until: later(60).toISOString(),
        }),
      ),
    ).rejects.toMatchObject({ status: 404 });
  });

  it("knows what an owner was told, and has nothing in it once its job is signed", async () => {
    const shop = await shopWithWork("Told");
    const told = later(60).toISOString();
    await shop.book({ ...promisedReady(told, "9:00"), stage: "plan" });
    const { laid } = await shop.today();
    const ready = laid.ready.find(({ jobId }) => jobId === shop.jobId);
    expect(ready).toMatchObject({ promisedAt: told });
    expect(ready?.late?.minutes).toBeGreaterThan(0);
    const open = (await shop.today()).slips[0];
    expect(open?.promisedAt).toBe(told);
    await shop.at(async (desk) => {
      const openSeen = mayClose(await readBook(desk, shop.jobId)).because;
      await signJob(desk, shop.jobId, { id: newEntry({}).id, reason: "towed away", openSeen });
    });
    const empty = await shop.today();
    expect([empty.slips, empty.laid.slips, empty.laid.ready]).toEqual([[], [], []]);
  });
});
