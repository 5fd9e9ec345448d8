import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Entry } from "../../../core/book/entry/index.ts";
import { mayClose } from "../../../core/state/index.ts";
import { readBook } from "../../entries/read-books.ts";
import { whileUnderWay } from "../../entries/under-way.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { newEntry, smallShop } from "../../testing/small-shop.ts";
import { readJob } from "./read-job.ts";
import { signJob } from "./sign-job.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const bolts: Partial<Entry> = { account: "fastener", item: "M6×20", place: "bag 2", out: 3 };

describe("signJob", () => {
  const signature = (reason = "", openSeen: string[] = []) => ({ id: randomUUID(), reason, openSeen });

  it("wants a reason for what is open, and what is open to be what was seen", async () => {
    const shop = await smallShop(scratch, "Sign");
    await shop.book(bolts);
    const open = ["bag 2 is 3 M6×20 short"];
    const sign = (given: ReturnType<typeof signature>) => shop.at((desk) => signJob(desk, shop.jobId, given));
    await expect(sign(signature("for good reason", []))).rejects.toMatchObject({ status: 409 });
    await expect(sign(signature("", open))).rejects.toMatchObject({
      fields: { reason: expect.stringMatching(/say why/) },
    });
    await sign(signature("owner supplies the bolts tomorrow", open));
    const { job, entries } = await shop.at((desk) => readJob(desk, shop.jobId));
    expect(job).toMatchObject({
      signedBy: "Sign technician",
      signReason: "owner supplies the bolts tomorrow",
    });
    expect(entries.at(-1)).toMatchObject({ stage: "sign", data: { fact: "signature", v: 2, open } });
  });

  it("locks the book: corrections only, and no unsigning", async () => {
    const shop = await smallShop(scratch, "Locked");
    const entry = newEntry({ kind: "note", text: "left hose" });
    await shop.book(entry);
    await shop.at((desk) => signJob(desk, shop.jobId, signature()));
    await expect(shop.book({ kind: "note", text: "one more" })).rejects.toMatchObject({ status: 409 });
    await shop.book({ kind: "note", text: "right hose", corrects: entry.id });
    const unsign = "UPDATE jobs SET signed_at = NULL, signed_by = NULL";
    await expect(
      shop.at(({ sequelize, transaction }) => sequelize.query(unsign, { transaction })),
    ).rejects.toThrow(/stays signed/);
  });

  it("waits for a log that is still being read, until its line is booked: later, and no no", async () => {
    const shop = await smallShop(scratch, "Waits");
    const id = randomUUID();
    const sign = () => shop.at((desk) => signJob(desk, shop.jobId, signature("the rest tomorrow morning")));
    await whileUnderWay(shop.at, { jobId: shop.jobId, id, what: "log" }, async () => {
      await expect(sign()).rejects.toMatchObject({ status: 503, againInS: expect.any(Number) });
      await shop.book({ id, kind: "note", text: "what was read" });
      await expect(sign()).rejects.toMatchObject({ status: 503 });
    });
    await sign();
    expect((await shop.at((desk) => readBook(desk, shop.jobId))).map((entry) => entry.stage)).toEqual([
      "strip",
      "sign",
    ]);
  });

  it("signs with thousands of lines open, and says how many", async () => {
    const shop = await smallShop(scratch, "Many");
    for (let bag = 0; bag < 12; bag++)
      await shop.book(
        ...Array.from({ length: 50 }, (_, index) => ({
          ...bolts,
          place: `bag ${bag}`,
          item: `M${index + 3}`,
        })),
      );
    const open = mayClose(await shop.at((desk) => readBook(desk, shop.jobId))).because;
    expect(open).toHaveLength(600);
    await shop.at((desk) =>
      signJob(desk, shop.jobId, {
        id: randomUUID(),
        reason: "scrapped with the car",
        openSeen: open.slice(0, 200),
        openCount: 600,
      }),
    );
    const last = (await shop.at((desk) => readBook(desk, shop.jobId))).at(-1);
    const { open: kept } = (last?.data ?? {}) as { open?: string[] };
    expect(kept?.at(-1)).toMatch(/^and \d+ more$/);
  });

  it.each([90, 200])("signs with %i things open whose names are as long as they may be", async (things) => {
    const shop = await smallShop(scratch, "Names");
    for (let from = 0; from < things; from += 30)
      await shop.book(
        ...Array.from({ length: 30 }, (_, index) => ({
          ...bolts,
          item: `${'"Schraube" "für" "den" "Rahmen" '.repeat(4).slice(0, 76)}${from + index + 100}`,
          place: `Träger ${'"'.repeat(50)}`,
        })),
      );
    const open = mayClose(await shop.at((desk) => readBook(desk, shop.jobId))).because;
    await shop.at((desk) => signJob(desk, shop.jobId, signature("scrapped with the car", open)));
    const last = (await shop.at((desk) => readBook(desk, shop.jobId))).at(-1);
    expect(last?.data).toMatchObject({
      open: expect.arrayContaining([expect.stringMatching(/^and \d+ more$/)]),
    });
  });
});
