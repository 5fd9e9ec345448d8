import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Entry } from "../../../core/book/entry/index.ts";
import { recordEntries } from "../../entries/record-entries.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { newEntry, smallShop } from "../../testing/small-shop.ts";
import { openJob } from "./open-job.ts";
import { readLastOnModel } from "./read-last-on-model.ts";
import { signJob } from "./sign-job.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const bolts = (count: number): Partial<Entry>[] =>
  Array.from({ length: count }, (_, bag) => ({
    account: "fastener",
    item: "M6×20",
    place: `bag ${bag + 1}`,
    out: 1,
  }));

describe("the last job on the same model", () => {
  it("is the last deep one that was signed, of this shop, and never the job itself", async () => {
    const shop = await smallShop(scratch, "Model");
    const job = async (drafts: Partial<Entry>[], isSigned: boolean) => {
      const id = randomUUID();
      await shop.at((desk) =>
        openJob(desk, { id, vehicleId: shop.vehicleId, bay: "lift 1", assignedTo: null }),
      );
      await shop.at((desk) => recordEntries(desk, id, drafts.map(newEntry)));
      if (isSigned)
        await shop.at((desk) =>
          signJob(desk, id, {
            id: randomUUID(),
            reason: "left as it is for the test",
            openSeen: [],
            openCount: drafts.length,
          }),
        );
      return id;
    };
    const sign = (jobId: string, openCount: number) =>
      shop.at((desk) =>
        signJob(desk, jobId, {
          id: randomUUID(),
          reason: "left as it is for the test",
          openSeen: [],
          openCount,
        }),
      );
    const last = (jobId: string) => shop.at((desk) => readLastOnModel(desk, jobId));
    expect(await last(shop.jobId)).toBeNull();
    await shop.book(...bolts(7));
    expect(await last(shop.jobId)).toBeNull();
    await sign(shop.jobId, 7);
    const shallow = await job(bolts(1), true);
    const now = await job([], false);
    const found = await last(now);
    expect(found).toMatchObject({ jobId: shop.jobId, model: "Model Wayfarer" });
    expect(found?.outs).toHaveLength(7);
    expect((await last(shop.jobId))?.jobId).toBe(shallow);
    const other = await smallShop(scratch, "Model");
    expect(await other.at((desk) => readLastOnModel(desk, other.jobId))).toBeNull();
    expect(await other.at((desk) => readLastOnModel(desk, now))).toBeNull();
    expect(await last("none")).toBeNull();
  });
});
