import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { readBook } from "../../entries/read-books.ts";
import { recordEntries } from "../../entries/record-entries.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { newEntry, smallShop } from "../../testing/small-shop.ts";
import { openJob } from "./open-job.ts";
import { readFind } from "./read-find.ts";
import { readHistory } from "./read-history.ts";
import { signJob } from "./sign-job.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const NOON = "2030-06-01T12:00:00.000Z";
const NOTHING = { histories: {}, recent: null, notOnThisCar: [], question: null, now: NOON };

const finding = (hypothesis: string, corrects?: string) =>
  newEntry({
    stage: "find",
    kind: "decision",
    item: "finding",
    text: hypothesis,
    data: { finding: "fault", hypothesis },
    ...(corrects ? { corrects } : {}),
  });

async function shopWith(name: string, hypothesis: string, isSigned = true) {
  const shop = await smallShop(scratch, name);
  const first = finding("fuse");
  await shop.at((desk) => recordEntries(desk, shop.jobId, [first]));
  await shop.at((desk) => recordEntries(desk, shop.jobId, [finding(hypothesis, first.id)]));
  if (isSigned)
    await shop.at((desk) => signJob(desk, shop.jobId, { id: randomUUID(), reason: "", openSeen: [] }));
  return shop;
}

describe("readHistory", () => {
  it("tells the verdict that stands in each signed job on that circuit, corrected ones left out", async () => {
    const shop = await shopWith("Learns", "motor");
    expect(await shop.at((desk) => readHistory(desk, "switch-1"))).toEqual({ motor: 1 });
    expect(await shop.at((desk) => readHistory(desk, "ecu-relay"))).toEqual({});
    expect(await shop.at((desk) => readFind(desk, shop.jobId, NOON))).toMatchObject({
      histories: { "switch-1": { motor: 1 } },
    });
  });

  it("moves with a verdict that is corrected after signing", async () => {
    const shop = await shopWith("Moves", "motor");
    const book = await shop.at((desk) => readBook(desk, shop.jobId));
    const standing = book.findLast(({ item }) => item === "finding");
    await shop.at((desk) => recordEntries(desk, shop.jobId, [finding("relay-coil", standing?.id)]));
    expect(await shop.at((desk) => readHistory(desk, "switch-1"))).toEqual({ "relay-coil": 1 });
  });

  it("moves with the circuit that a correction after signing settles", async () => {
    const shop = await shopWith("Rewired", "motor", false);
    const circuit = (kind: string, corrects?: string) =>
      newEntry({
        stage: "find",
        kind: "decision",
        item: "fan circuit",
        text: kind,
        data: { fact: "fan-circuit", v: 1, circuit: kind },
        ...(corrects ? { corrects } : {}),
      });
    const [wrong, right] = [circuit("switch-2"), circuit("ecu-relay")];
    await shop.book(wrong);
    await shop.at((desk) => signJob(desk, shop.jobId, { id: randomUUID(), reason: "", openSeen: [] }));
    const learnt = async () => {
      const kinds = ["switch-1", "switch-2", "ecu-relay"];
      return Promise.all(kinds.map((kind) => shop.at((desk) => readHistory(desk, kind))));
    };
    expect(await learnt()).toEqual([{}, { motor: 1 }, {}]);
    await shop.book({ ...right, corrects: wrong.id });
    expect(await learnt()).toEqual([{}, {}, { motor: 1 }]);
    await shop.book({ kind: "decision", stage: "find", corrects: right.id });
    expect(await learnt()).toEqual([{}, { motor: 1 }, {}]);
  });

  it("comes to what a count by hand gives after any run of corrections", async () => {
    const shop = await shopWith("Tally", "motor");
    const book = await shop.at((desk) => readBook(desk, shop.jobId));
    let last = book.findLast(({ item }) => item === "finding")?.id;
    for (const hypothesis of ["fuse", "fuse", "relay-coil", "switch-open", "motor", "fuse", "motor"]) {
      const correction = finding(hypothesis, last);
      await shop.book(correction);
      last = correction.id;
      expect(await shop.at((desk) => readHistory(desk, "switch-1"))).toEqual({ [hypothesis]: 1 });
    }
    await expect(shop.book({ kind: "decision", stage: "find", corrects: last })).rejects.toMatchObject({
      status: 409,
    });
    expect(await shop.at((desk) => readHistory(desk, "switch-1"))).toEqual({ motor: 1 });
  });

  it("learns nothing from a job that isn't signed", async () => {
    const shop = await shopWith("Waits", "motor", false);
    expect(await shop.at((desk) => readHistory(desk, "switch-1"))).toEqual({});
  });

  it("never counts another shop's jobs, nor answers for one of its jobs", async () => {
    const [ours, theirs] = [await shopWith("Ours", "motor"), await shopWith("Theirs", "switch-open")];
    expect(await ours.at((desk) => readHistory(desk, "switch-1"))).toEqual({ motor: 1 });
    expect(await ours.at((desk) => readFind(desk, theirs.jobId, NOON))).toEqual(NOTHING);
    expect(await ours.at((desk) => readFind(desk, "nonsense", NOON))).toEqual(NOTHING);
  });
});

describe("recent work on a vehicle", () => {
  it("finds the vehicle's last signed job, and none for the first one or another shop's", async () => {
    const shop = await shopWith("Recent", "motor");
    const id = randomUUID();
    await shop.at((desk) => openJob(desk, { id, vehicleId: shop.vehicleId, bay: "", assignedTo: null }));
    expect(await shop.at((desk) => readFind(desk, id, NOON))).toMatchObject({
      recent: { id: shop.jobId, minutesBefore: 0 },
    });
    expect(await shop.at((desk) => readFind(desk, shop.jobId, NOON))).toMatchObject({ recent: null });
    const other = await smallShop(scratch, "Away");
    expect(await other.at((desk) => readFind(desk, id, NOON))).toMatchObject({ recent: null });
  });
});
