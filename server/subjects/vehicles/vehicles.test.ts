import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { exportJob } from "../../books/jobs/export-job.ts";
import { JOB_FORMAT } from "../../books/jobs/job-file.ts";
import { listToday } from "../../books/jobs/list-today.ts";
import { openJob } from "../../books/jobs/open-job.ts";
import { readFind } from "../../books/jobs/read-find.ts";
import { readJob } from "../../books/jobs/read-job.ts";
import { signJob } from "../../books/jobs/sign-job.ts";
import { changeCard } from "../../cards/change-card.ts";
import { isId } from "../../desk/is-id.ts";
import { recordEntries } from "../../entries/record-entries.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { newEntry, smallShop } from "../../testing/small-shop.ts";
import { enrolDevice, findTiles, removeDevice } from "../people/devices.ts";
import { addVehicle, type NewVehicle } from "./add-vehicle.ts";
import { findVehicles } from "./find-vehicles.ts";
import { readVehicle } from "./read-vehicle.ts";

let scratch: Scratch;
let shop: Awaited<ReturnType<typeof smallShop>>;
beforeAll(async () => {
  scratch = await scratchDatabase();
  shop = await smallShop(scratch, "Valley");
});
afterAll(() => scratch.drop());

const CARD: NonNullable<NewVehicle["card"]> = {
  capacityL: 6.8,
  coolantKind: "oat",
  coolantProduct: "Fellwater Red",
  coolantApproval: "",
  targetFraction: 0.5,
  capGaugeKpa: 140,
  thermostatOpensC: 88,
  circuit: "ecu-relay",
  fanOnC: [101],
  fanOffC: [95],
  fanSenses: "engine",
  fillPoint: "expansion tank",
  bleedPoints: "",
  oilCooler: "none",
  sensorCurve: [
    { celsius: 20, ohms: 2500 },
    { celsius: 80, ohms: 320 },
  ],
};
/** Counted, not rolled: two of one plate would be refused for that. */
let serial = 4000;
const vehicle = (change: Partial<NewVehicle> = {}): NewVehicle => ({
  id: randomUUID(),
  plate: `VAL ${++serial}`,
  vin: `0VAL${randomUUID()
    .replace(/[^0-9a-h]/g, "")
    .toUpperCase()
    .slice(0, 13)
    .padEnd(13, "7")}`,
  name: "Brindle Courier",
  use: "meal delivery",
  distanceKm: 1000,
  card: CARD,
  ...change,
});
const add = (one: NewVehicle) => shop.at((desk) => addVehicle(desk, one));

describe("a vehicle", () => {
  it("is written with its whole card and read back as it was, its sensor's curve with it", async () => {
    const one = vehicle();
    await add(one);
    const page = await shop.at((desk) => readVehicle(desk, one.id));
    expect(page.card).toEqual(CARD);
    expect(page.vehicle).toMatchObject({ plate: one.plate, vin: one.vin, distanceKm: 1000 });
    expect(page.jobs).toEqual([]);
  });

  it("sent twice is one vehicle; another with its plate or VIN is refused beside the field", async () => {
    const one = vehicle();
    await add(one);
    await add(one);
    await expect(add(vehicle({ plate: one.plate }))).rejects.toMatchObject({
      fields: { plate: expect.stringMatching(/already/) },
    });
    await expect(add(vehicle({ vin: one.vin }))).rejects.toMatchObject({
      fields: { vin: expect.stringMatching(/already/) },
    });
  });

  it.each([
    ["capacity_l", { capacityL: 900 }],
    ["circuit", { circuit: "steam" }],
    ["fan_on_c", { fanOnC: [1, 2, 3, 4, 5], fanOffC: [1, 2, 3, 4, 5] }],
    ["sensor_curve", { sensorCurve: Array.from({ length: 13 }, (_, i) => ({ celsius: i, ohms: 100 - i })) }],
  ])("is refused by the database itself for a wrong %s", async (_, change) => {
    await expect(add(vehicle({ card: { ...CARD, ...change } }))).rejects.toThrow(/check constraint/);
  });

  it("that isn't there, or isn't an id, is not found", async () => {
    for (const id of [randomUUID(), "nonsense", ""])
      await expect(shop.at((desk) => readVehicle(desk, id))).rejects.toMatchObject({ status: 404 });
    expect([isId(randomUUID()), isId("x"), isId(undefined)]).toEqual([true, false, false]);
  });
});

describe("finding", () => {
  it("goes by any part of plate, VIN, name or use, blanks and case aside", async () => {
    const one = vehicle({ plate: "QQX 4477", name: "Harl Tender", use: "vet" });
    await add(one);
    const find = (search: string) => shop.at((desk) => findVehicles(desk, search));
    for (const search of [
      "4477",
      "qqx4",
      "QQX 44",
      "qqx-4477",
      "Q.Q.X",
      String(one.vin).slice(3, 12).toLowerCase(),
      "tender",
      "vet",
    ])
      expect(
        (await find(search)).map(({ id }) => id),
        search,
      ).toContain(one.id);
    for (const search of ["%", "_", "\\", "QQX44778", "nobody has this"])
      expect(
        (await find(search)).map(({ id }) => id),
        search,
      ).not.toContain(one.id);
  });

  it("says which job is open and when it was last here", async () => {
    const one = vehicle({ plate: "QQY 1" });
    await add(one);
    const [fresh] = await shop.at((desk) => findVehicles(desk, "QQY 1"));
    expect(fresh).toMatchObject({ openJobId: null, jobs: 0, lastAt: null });
    const { id } = await shop.at((desk) =>
      openJob(desk, { id: randomUUID(), vehicleId: one.id, bay: "", assignedTo: null }),
    );
    const [busy] = await shop.at((desk) => findVehicles(desk, "QQY 1"));
    expect(busy).toMatchObject({ openJobId: id, jobs: 1 });
  });
});

describe("finding a car by what was said of it", () => {
  it("by a job's number and by words of its complaint or finding, the ones that stand", async () => {
    const own = await smallShop(scratch, "Said");
    const complaint = newEntry({
      stage: "ask",
      kind: "note",
      item: "complaint",
      text: "Boils on Pell Pass",
      data: { fact: "complaint", v: 1 },
    });
    await own.book(complaint);
    const found = async (search: string) =>
      (await own.at((desk) => findVehicles(desk, search))).map(({ id, found: by }) => [
        id === own.vehicleId,
        by?.words,
      ]);
    expect(await found("pell pass")).toEqual([[true, "Boils on Pell Pass"]]);
    const { number } = (await own.at((desk) => readJob(desk, own.jobId))).job;
    for (const search of [`${number}`, `job ${number}`, `#${number}`, `№ 00${number}`])
      expect(
        (await found(search)).some(([isIt]) => isIt),
        search,
      ).toBe(true);
    expect(await found("job 9999999")).toEqual([]);
    await own.book(
      newEntry({ ...complaint, id: randomUUID(), text: "Boils at the lights", corrects: complaint.id }),
    );
    expect(await found("pell pass")).toEqual([]);
    expect(await found("lights")).toEqual([[true, "Boils at the lights"]]);
    const [all] = await own.at((desk) => findVehicles(desk, ""));
    expect(all).toMatchObject({ total: 1, found: null });
  });
});

describe("today", () => {
  it("has every open job with what it waits for and what is open, and no signed one", async () => {
    const own = await smallShop(scratch, "Morning");
    await own.book(
      { stage: "ask", kind: "note", item: "complaint", text: "Hot in the queue" },
      { account: "fastener", item: "M6×20", place: "bag 1", out: 2 },
      { kind: "decision", item: "waits", text: "cooling", data: { waitsFor: "heat" } },
    );
    const [slip] = await own.at((desk) => listToday(desk));
    expect(slip).toMatchObject({
      complaint: "Hot in the queue",
      open: 1,
      stage: "strip",
      wait: { waitsFor: "heat", words: "cooling" },
    });
    await own.book({ account: "fastener", item: "M6×20", place: "bag 1", in: 2 });
    await own.at((desk) => signJob(desk, own.jobId, { id: randomUUID(), reason: "", openSeen: [] }));
    expect(await own.at((desk) => listToday(desk))).toEqual([]);
  });
});

describe("a job as JSON", () => {
  it("carries the book, its balance and the names of who wrote it", async () => {
    const own = await smallShop(scratch, "Export");
    await own.book({ account: "coolant", item: "drained", out: 4, unit: "L" });
    const job = await own.at((desk) => exportJob(desk, own.jobId));
    expect(job.format).toBe(JOB_FORMAT);
    expect(job.entries).toHaveLength(1);
    expect(job.balance).toEqual([{ account: "coolant", item: "drained", place: "", out: 4, in: 0, open: 4 }]);
    expect(job.open.join()).toMatch(/4\.0.L of coolant not accounted for/);
    expect(Object.values(job.people)).toContain("Export technician");
  });
});

describe("a browser of the shop's own", () => {
  it("shows the shop's name tiles until it is removed, and another's token none of them", async () => {
    const token = await shop.at((desk) => enrolDevice(desk, "bay tablet"));
    const tiles = await findTiles(scratch.database, token);
    expect(tiles?.people.map(({ role }) => role).sort()).toEqual(["desk", "lead", "technician"]);
    for (const wrong of [undefined, "", "nonsense", `${shop.shopId}.${"A".repeat(43)}`])
      expect(await findTiles(scratch.database, wrong)).toBeUndefined();
    const devices = await shop.at(({ models, transaction }) => models.Device.findAll({ transaction }));
    for (const { id } of devices) await shop.at((desk) => removeDevice(desk, id));
    expect(await findTiles(scratch.database, token)).toBeUndefined();
  });
});

describe("a card that changes", () => {
  const settle = (circuit: string) => ({
    id: randomUUID(),
    at: new Date().toISOString(),
    stage: "find" as const,
    kind: "decision" as const,
    item: "fan circuit",
    text: circuit,
    data: { fact: "fan-circuit", v: 1, circuit },
  });

  it("takes the circuit that a job settled, with who and in which job, and asks nobody again", async () => {
    const one = vehicle({ card: { ...CARD, circuit: null } });
    await shop.at((desk) => addVehicle(desk, one));
    const job = { id: randomUUID(), vehicleId: one.id, bay: "", assignedTo: null };
    await shop.at((desk) => openJob(desk, job));
    await shop.at((desk) => recordEntries(desk, job.id, [settle("switch-2")]));
    const page = await shop.at((desk) => readVehicle(desk, one.id));
    expect(page.card?.circuit).toBe("switch-2");
    expect(page.changes).toMatchObject([
      {
        by: "Valley technician",
        job: expect.any(Number),
        changes: [{ field: "circuit", from: null, to: "switch-2" }],
      },
    ]);
    await shop.at((desk) => recordEntries(desk, job.id, [settle("switch-2")]));
    expect((await shop.at((desk) => readVehicle(desk, one.id))).changes).toHaveLength(1);
  });

  it("keeps each change by hand with its author, newest first, and nothing where nothing changed", async () => {
    const one = vehicle({ card: CARD });
    await shop.at((desk) => addVehicle(desk, one));
    expect(await shop.at((desk) => changeCard(desk, one.id, CARD))).toEqual([]);
    const inUs = { ...CARD, capacityL: 7.185526 * 0.946352946, thermostatOpensC: (190.4 - 32) / 1.8 };
    expect(await shop.at((desk) => changeCard(desk, one.id, inUs))).toEqual([]);
    await shop.at((desk) => changeCard(desk, one.id, { ...CARD, thermostatOpensC: 92 }), shop.people.lead);
    await shop.at((desk) =>
      changeCard(desk, one.id, { ...CARD, thermostatOpensC: 92, fanOnC: [104], fanOffC: [98] }),
    );
    const { card, changes } = await shop.at((desk) => readVehicle(desk, one.id));
    expect(card).toMatchObject({ thermostatOpensC: 92, fanOnC: [104], fanOffC: [98] });
    expect(changes.map(({ by, changes: fields }) => [by, fields.map(({ field }) => field)])).toEqual([
      ["Valley technician", ["fanOnC", "fanOffC"]],
      ["Valley lead", ["thermostatOpensC"]],
    ]);
  });

  it("is written whole where there was none, and never on another shop's vehicle", async () => {
    const bare = vehicle({ card: null });
    await shop.at((desk) => addVehicle(desk, bare));
    await shop.at((desk) => changeCard(desk, bare.id, CARD));
    expect((await shop.at((desk) => readVehicle(desk, bare.id))).card).toMatchObject({ capacityL: 6.8 });
    const other = await smallShop(scratch, "Elsewhere");
    await expect(
      other.at((desk) => changeCard(desk, bare.id, { ...CARD, capacityL: 9 })),
    ).rejects.toMatchObject({
      status: 404,
    });
    await expect(shop.at((desk) => changeCard(desk, "no-id", CARD))).rejects.toMatchObject({ status: 404 });
  });
});

describe("what a car doesn't let anybody do", () => {
  it("is told to its next job, and to no other vehicle's", async () => {
    const [one, other] = [vehicle({ card: CARD }), vehicle({ card: CARD })];
    for (const each of [one, other]) await shop.at((desk) => addVehicle(desk, each));
    const jobOn = async (vehicleId: string) => {
      const job = { id: randomUUID(), vehicleId, bay: "", assignedTo: null };
      await shop.at((desk) => openJob(desk, job));
      return job.id;
    };
    const first = await jobOn(one.id);
    const cannot = (test: string, why: string) => ({
      id: randomUUID(),
      at: new Date().toISOString(),
      stage: "find" as const,
      kind: "decision" as const,
      item: test,
      text: "can't be done here",
      data: { fact: "cannot-test", v: 1, test, why },
    });
    await shop.at((desk) => recordEntries(desk, first, [cannot("command", "car"), cannot("fuses", "tool")]));
    await shop.at((desk) => signJob(desk, first, { id: randomUUID(), reason: "nothing done", openSeen: [] }));
    const NOON = "2031-03-04T12:00:00.000Z";
    const [next, elsewhere] = [await jobOn(one.id), await jobOn(other.id)];
    expect(await shop.at((desk) => readFind(desk, next, NOON))).toMatchObject({ notOnThisCar: ["command"] });
    expect(await shop.at((desk) => readFind(desk, elsewhere, NOON))).toMatchObject({ notOnThisCar: [] });
  });
});
