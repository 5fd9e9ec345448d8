import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Scratch, scratchDatabase } from "../testing/scratch-database.ts";
import { smallShop } from "../testing/small-shop.ts";
import { lostBy } from "./lost-by.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

describe("taking steps back", () => {
  it("loses nothing of an empty database", async () => {
    expect(await lostBy(scratch.owner.sequelize, "001-first-tables")).toEqual([]);
  });

  it("says which rows, values and facts would be lost, step by step", async () => {
    const shop = await smallShop(scratch, "Lost");
    await shop.book({
      kind: "reading",
      item: "coolant level",
      data: { fact: "coolant-level", v: 1, level: "line" },
    });
    const lost = await lostBy(scratch.owner.sequelize, "003-facts");
    expect(lost.join("\n")).toMatch(/003-facts: what 1 lines say/);
    const all = (await lostBy(scratch.owner.sequelize, "001-first-tables")).join("\n");
    expect(all).toMatch(/1 rows of vehicles/);
    expect(all).toMatch(/1 rows of jobs/);
    expect(await lostBy(scratch.owner.sequelize, "020-backups")).toEqual([
      "022-chain: 1 values of entries.hash",
      "022-chain: 1 values of jobs.last_hash",
    ]);
    await expect(lostBy(scratch.owner.sequelize, "nonsense")).rejects.toThrow(/There is no step/);
  });
});
