import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Scratch, scratchDatabase } from "../testing/scratch-database.ts";
import { smallShop } from "../testing/small-shop.ts";
import { migrate } from "./migrate.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const LOOSE = [
  ["reading", "coolant level", "at the line, cold", { level: "line", coldCheck: true }],
  [
    "decision",
    "radiator",
    "pattern, Tansy & Rudge",
    { chosenPart: true, grade: "pattern", supplier: "Tansy & Rudge" },
  ],
  ["decision", "parts", "none needed", { noParts: true }],
  ["test", "Fuses", "sound", { test: "fuses", outcome: "sound", verdict: "pass" }],
  ["decision", "waits", "the night", { waitsFor: "night" }],
  ["decision", "finding", "Motor dead", { finding: "fault", hypothesis: "motor" }],
  ["reading", "coolant sensor", "", { fan: "none" }],
  ["note", "complaint", "hot", null],
  ["note", "trail", "under the left tank", null],
  ["decision", "from tomorrow", "kept", { fact: "bleed-cycle", v: 4, litres: 0.2 }],
] as const;

describe("entries written before facts had names", () => {
  it("are lifted by the migration, keep what is unknown, and come back the way they were", async () => {
    const shop = await smallShop(scratch, "Older");
    const { sequelize } = scratch.owner;
    await migrate(scratch.ownerUrl, "down", "003-facts");
    const ids = LOOSE.map(() => randomUUID());
    for (const [index, [kind, item, text, data]] of LOOSE.entries())
      await sequelize.query(
        `INSERT INTO entries (shop_id, id, job_id, seq, at, by, stage, kind, item, text, data)
         VALUES ($1, $2, $3, $4, now(), $5, 'find', $6, $7, $8, $9)`,
        {
          bind: [
            shop.shopId,
            ids[index],
            shop.jobId,
            index + 1,
            shop.people.technician,
            kind,
            item,
            text || null,
            data && JSON.stringify(data),
          ],
        },
      );
    const rows = async (columns: string) =>
      (
        await sequelize.query(`SELECT ${columns} FROM entries WHERE job_id = '${shop.jobId}' ORDER BY seq`)
      )[0] as {
        fact: string | null;
        data: Record<string, unknown> | null;
      }[];
    expect(await migrate(scratch.ownerUrl)).toContain("003-facts");
    expect((await rows("fact, data")).map(({ fact, data }) => [fact, data?.v ?? null])).toEqual([
      ["coolant-level", 1],
      ["chosen-part", 2],
      ["no-parts", 1],
      ["test-outcome", 1],
      ["wait", 1],
      ["finding", 1],
      ["fan-heard", 1],
      ["complaint", 1],
      [null, null],
      ["bleed-cycle", 4],
    ]);
    await expect(sequelize.query("UPDATE entries SET text = 'other'")).rejects.toThrow(/append-only/);
    await migrate(scratch.ownerUrl, "down", "003-facts");
    const back = (await rows("data")).map(({ data }) => data);
    expect(back.slice(0, 9)).toEqual(LOOSE.slice(0, 9).map(([, , , data]) => data));
    await migrate(scratch.ownerUrl);
  });
});
