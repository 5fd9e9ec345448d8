import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { mayClose } from "../../../core/state/index.ts";
import { countedLevels, lossRate } from "../../../core/trade/leaks/index.ts";
import { signJob } from "../../books/jobs/sign-job.ts";
import { atDesk } from "../../database/connection.ts";
import { Refusal } from "../../desk/refusal.ts";
import { readBook } from "../../entries/read-books.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { smallShop } from "../../testing/small-shop.ts";
import { readLevels } from "./read-levels.ts";
import { readWatch } from "./read-watch.ts";
import { strikeLevel, type TakenLevel, takeLevel } from "./take-level.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const START = Date.parse("2026-05-04T07:00:00Z");
const taken = (given: Partial<TakenLevel>): TakenLevel => ({
  id: randomUUID(),
  missingL: 0,
  toppedUpL: 0,
  distanceKm: null,
  heat: "cold",
  minimumL: null,
  ...given,
});

async function shop(name: string) {
  const made = await smallShop(scratch, name, { openedAt: new Date(START) });
  const who = { shopId: made.shopId, personId: made.people.technician };
  const take = (day: number, given: Partial<TakenLevel>, vehicleId = made.vehicleId) =>
    atDesk(scratch.told, { ...who, now: new Date(START + day * 86_400_000) }, (desk) =>
      takeLevel(desk, vehicleId, taken(given), "metric"),
    );
  const levels = async () =>
    (await made.at((desk) => readLevels(desk, [made.vehicleId]))).get(made.vehicleId);
  return { ...made, take, levels };
}

describe("levels of a vehicle", () => {
  it("are kept as they were taken, a top-up with them, and tell a rate", async () => {
    const { take, levels } = await shop("Fell");
    for (const day of [0, 7, 14, 21])
      await take(day, {
        missingL: 0.05 * (day > 7 ? day - 7 : day),
        toppedUpL: day === 7 ? 0.35 : 0,
        distanceKm: 2000 + 50 * day,
      });
    const of = await levels();
    expect(of?.levels.map(({ missingL }) => missingL)).toEqual(
      [0, 0.35, 0.35, 0.7].map((each) => expect.closeTo(each, 9)),
    );
    expect(lossRate(countedLevels(of?.levels ?? [])).perDayL.likely).toBeCloseTo(0.05, 6);
    expect(of).toMatchObject({ minimumL: 0.7, isMinimumUsual: true });
  });

  it("of a day before stand where they were found, held to what the car had run by then; none lies ahead", async () => {
    const { take, levels } = await shop("Inver");
    await take(10, { missingL: 0.5, distanceKm: 5000 });
    await take(11, { missingL: 0.1, distanceKm: 4900, at: new Date(START) });
    await expect(
      take(11, { missingL: 0.3, distanceKm: 5100, at: new Date(START + 5 * 86_400_000) }),
    ).rejects.toMatchObject({ fields: { distance: expect.any(String) } });
    await expect(take(11, { at: new Date("0026-05-04T12:00:00Z") })).rejects.toMatchObject({
      fields: { on: "From 1990 on." },
    });
    await expect(take(11, { at: new Date(START + 12 * 86_400_000) })).rejects.toMatchObject({
      fields: { on: expect.stringMatching(/ahead/) },
    });
    expect((await levels())?.levels.map(({ missingL }) => missingL)).toEqual([0.1, 0.5]);
  });

  it("sent twice are one; struck, they stay readable and count no longer", async () => {
    const { take, levels, at, vehicleId } = await shop("Gill");
    const id = randomUUID();
    await take(0, { id, missingL: 3 });
    await take(0, { id, missingL: 3 });
    await at((desk) => strikeLevel(desk, vehicleId, id));
    await at((desk) => strikeLevel(desk, vehicleId, id));
    const of = await levels();
    expect(of?.levels).toMatchObject([{ id, missingL: 3, isStruck: true }]);
    expect(countedLevels(of?.levels ?? [])).toEqual([]);
  });

  it("begin anew once coolant went in at a job that is signed; a hot one isn't counted", async () => {
    const { take, levels, shopId, jobId, people, book } = await shop("Hazel");
    await take(0, { missingL: 0.6 });
    await book({ kind: "movement", account: "coolant", item: "poured", in: 2, unit: "L", stage: "fill" });
    const who = { shopId, personId: people.technician, now: new Date(START + 3 * 86_400_000) };
    await atDesk(scratch.told, who, async (desk) =>
      signJob(desk, jobId, {
        id: randomUUID(),
        reason: "for the test",
        openSeen: mayClose(await readBook(desk, jobId)).because,
      }),
    );
    await take(7, { missingL: 0.1 });
    await take(8, { missingL: -0.3, heat: "hot" });
    const of = await levels();
    expect(of?.levels.map(({ isBefore }) => isBefore)).toEqual([true, false, false]);
    expect(countedLevels(of?.levels ?? [])).toHaveLength(1);
  });

  it("refuse a distance lower than last time, with the figure, and keep nothing", async () => {
    const { take, levels } = await shop("Ivy");
    await take(0, { distanceKm: 5000 });
    // Shown are whole kilometres: what reads the same is the same.
    await take(1, { distanceKm: 5000.4 });
    await take(2, { distanceKm: 5000 });
    const refused = await take(3, { distanceKm: 4990, missingL: 9 }).catch((error: unknown) => error);
    expect(refused).toBeInstanceOf(Refusal);
    expect((refused as Refusal).fields?.distance).toMatch(/5000.km/);
    expect((await levels())?.levels).toHaveLength(3);
  });

  it("of every vehicle that loses are on Watch, whatever looks the others had since", async () => {
    const made = await shop("Linden");
    const { shopId, people } = made;
    const fleet = Array.from({ length: 230 }, (_, nr) => ({
      ...{ shopId, id: randomUUID(), plate: `LND ${nr}`, vin: null, name: `Tender ${nr}`, use: "" },
      ...{ distanceKm: null, firstDistanceKm: null },
    }));
    const losing = [fleet[0], fleet[7]].map((vehicle) => vehicle?.id);
    const day = (nr: number) => new Date(Date.now() - nr * 86_400_000);
    const rows = fleet.flatMap(({ id }) => {
      const isLosing = losing.includes(id);
      // Those that lose were looked at before all the others.
      return [35, 28, 21, 14].map((ago, look) => ({
        ...{ ...taken({}), id: randomUUID(), shopId, vehicleId: id, takenBy: people.technician },
        ...{ at: day(isLosing ? ago : ago - 13), missingL: isLosing ? 0.15 * look : 0 },
      }));
    });
    const { told, ...watched } = await made.at(async (desk) => {
      const { models, transaction } = desk;
      await models.Vehicle.bulkCreate(fleet, { transaction });
      await models.LevelRow.bulkCreate(rows, { transaction });
      const all = await readWatch(desk);
      return { told: all.length, first: all.slice(0, 2).map(({ vehicleId }) => vehicleId) };
    });
    expect(new Set(watched.first)).toEqual(new Set(losing));
    expect(told).toBe(102);
  });

  it("are no other shop's to take, to read or to strike", async () => {
    const [one, other] = [await shop("Juniper"), await shop("Kestrel")];
    const id = randomUUID();
    await one.take(0, { id, missingL: 1 });
    await expect(other.take(0, {}, one.vehicleId)).rejects.toThrow(/vehicle/);
    await expect(other.at((desk) => strikeLevel(desk, one.vehicleId, id))).rejects.toThrow(/level/);
    expect((await other.at((desk) => readLevels(desk, [one.vehicleId]))).size).toBe(0);
    expect(await other.at(readWatch)).toEqual([]);
    expect((await one.levels())?.levels[0]?.isStruck).toBe(false);
  });

  it("put the vehicle that is at its minimum soonest first on Watch, by a minimum that was measured", async () => {
    const { take, at, vehicleId } = await shop("Larch");
    for (const day of [0, 5, 10, 15])
      await take(day, { missingL: 0.04 * day, minimumL: day === 15 ? 1.5 : null });
    const [first] = await at(readWatch);
    expect(first).toMatchObject({ vehicleId, of: { minimumL: 1.5, isMinimumUsual: false } });
  });
});
