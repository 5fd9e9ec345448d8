import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type ListedLevel, readLevelList } from "../../../core/trade/leaks/index.ts";
import { Refusal } from "../../desk/refusal.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { smallShop } from "../../testing/small-shop.ts";
import { readLevels } from "./read-levels.ts";
import { strikeLevel, takeLevel } from "./take-level.ts";
import { takeLevelList } from "./take-list.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const NOW = new Date("2026-11-26T12:00:00Z");
function listed(...rows: string[][]): ListedLevel[] {
  const head = ["at", "missing_L", "topped_up_L", "distance_km", "taken_by"];
  const read = readLevelList([head, ...rows], { system: "metric", timeZone: "UTC", now: NOW });
  if ("troubles" in read) throw new Error(JSON.stringify(read.troubles));
  return read.levels;
}

async function shop(name: string) {
  const made = await smallShop(scratch, name);
  const take = (list: ListedLevel[], vehicleId = made.vehicleId) =>
    made.at((desk) => takeLevelList(desk, vehicleId, list, "metric"));
  const levels = async () =>
    (await made.at((desk) => readLevels(desk, [made.vehicleId]))).get(made.vehicleId)?.levels ?? [];
  return { ...made, take, levels };
}

describe("a list of levels", () => {
  it("is written down once, by whom it names and who read it in", async () => {
    const { take, levels } = await shop("Aspen");
    const list = listed(
      ["2026-05-04", "0.1", "", "2000", "Perrin"],
      ["2026-05-11", "0.2", "0.2", "2300", ""],
    );
    expect(await take(list)).toEqual({ added: 2, known: 0 });
    expect(await take(list)).toEqual({ added: 0, known: 2 });
    expect(await take([...list, ...list])).toEqual({ added: 0, known: 4 });
    expect((await levels()).map(({ by, missingL }) => [missingL, by])).toEqual([
      [0.1, "Perrin, by a list that Aspen technician read in"],
      [0.2, "by a list that Aspen technician read in"],
    ]);
  });

  it("brings nothing back that was struck since", async () => {
    const { take, levels, at, vehicleId } = await shop("Alder");
    const list = listed(["2026-05-04", "4", "", "", ""]);
    await take(list);
    const id = (await levels())[0]?.id ?? "";
    await at((desk) => strikeLevel(desk, vehicleId, id));
    expect(await take(list)).toEqual({ added: 0, known: 1 });
    expect(await levels()).toMatchObject([{ isStruck: true }]);
  });

  it("whose distance falls, in itself or against the book, is refused with its line and keeps nothing", async () => {
    const { take, levels } = await shop("Birch");
    const falls = listed(["2026-05-04", "0.1", "", "2000", ""], ["2026-05-11", "0.2", "", "1990", ""]);
    expect(await take(falls)).toMatchObject({ troubles: [{ line: 3, column: "distance" }] });
    expect(await levels()).toEqual([]);
    await take(listed(["2026-05-11", "0.1", "", "3000", ""]));
    // Earlier than the one in the book, and further on.
    expect(await take(listed(["2026-05-04", "0.1", "", "3500", ""]))).toMatchObject({
      troubles: [{ line: 2 }],
    });
    expect(await take(listed(["2026-05-18", "0.1", "", "2900", ""]))).toMatchObject({
      troubles: [{ line: 2 }],
    });
    expect(await levels()).toHaveLength(1);
    expect(await take(listed(["2026-05-18", "0.1", "", "3000", ""]))).toEqual({ added: 1, known: 0 });
  });

  it("stands beside what the car's jobs read on their days, too", async () => {
    const made = await shop("Cherry");
    const read = (value: number) => ({
      ...{ kind: "reading", item: "distance", value, unit: "km" },
      ...{ data: { fact: "distance", v: 1 }, at: new Date(NOW.getTime()).toISOString() },
    });
    await made.book(read(184_220) as never);
    const today = new Date(Date.now() + 60_000).toISOString();
    const at = { ...(listed(["2026-05-04", "0.1", "", "90000", ""])[0] as ListedLevel), at: today };
    expect(await made.take([at])).toMatchObject({ troubles: [{ line: 2, column: "distance" }] });
    expect(await made.take(listed(["2026-05-04", "0.1", "", "184500", ""]))).toMatchObject({
      troubles: [{ words: expect.stringMatching(/184\u202f220.* comes after 184\u202f500/) }],
    });
    expect(await made.take(listed(["2026-05-04", "0.1", "", "90000", ""]))).toEqual({ added: 1, known: 0 });
  });

  it("of two thousand rows comes in and goes out whole, while a page shows the latest", async () => {
    const { take, at, vehicleId } = await shop("Fir");
    const day = (place: number) => new Date(Date.UTC(2020, 0, 1 + place)).toISOString().slice(0, 10);
    const rows = Array.from({ length: 2000 }, (_, place) => [day(place), "0.1", "", String(place), "Perrin"]);
    expect(await take(listed(...rows))).toEqual({ added: 2000, known: 0 });
    const read = async (most?: number) =>
      (await at((desk) => readLevels(desk, [vehicleId], most))).get(vehicleId)?.levels;
    expect(await read()).toHaveLength(60);
    expect(await read(5000)).toHaveLength(2000);
    expect((await read())?.at(-1)?.distanceKm).toBe(1999);
  });

  it("is no other shop's to hand in", async () => {
    const [one, other] = [await shop("Cedar"), await shop("Dogwood")];
    const list = listed(["2026-05-04", "0.1", "", "", ""]);
    await expect(other.take(list, one.vehicleId)).rejects.toBeInstanceOf(Refusal);
    await expect(other.take(list, randomUUID())).rejects.toBeInstanceOf(Refusal);
    expect(await one.levels()).toEqual([]);
  });
});

describe("a level by its height", () => {
  it("keeps the height beside the litres, and what was measured of the tank with the vehicle", async () => {
    const { at, vehicleId } = await shop("Elder");
    const level = {
      id: randomUUID(),
      missingL: 0.5,
      toppedUpL: 0,
      distanceKm: null,
      heat: "cold",
      minimumL: null,
    } as const;
    await at((desk) => takeLevel(desk, vehicleId, { ...level, belowMm: 27, liftsMm: 54 }, "metric"));
    await at((desk) => takeLevel(desk, vehicleId, { ...level, id: randomUUID() }, "metric"));
    const of = (await at((desk) => readLevels(desk, [vehicleId]))).get(vehicleId);
    expect(of).toMatchObject({ liftsMm: 54, levels: [{ belowMm: 27 }, { missingL: 0.5 }] });
    expect(of?.levels[1]?.belowMm).toBeUndefined();
  });
});
