import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { ownCard, takeCard } from "../../cards/take-card.ts";
import { recordEntries } from "../../entries/record-entries.ts";
import { addVehicle } from "../../subjects/vehicles/add-vehicle.ts";
import { identifyVehicle } from "../../subjects/vehicles/identify-vehicle.ts";
import { readMeasured } from "../../subjects/vehicles/read-measured.ts";
import { readVehicle } from "../../subjects/vehicles/read-vehicle.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { newEntry, smallShop } from "../../testing/small-shop.ts";
import { exportJob } from "./export-job.ts";
import { readInJob } from "./read-in-job.ts";
import { takeIn } from "./take-in.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const arrival = (plate: string) => ({ vehicleId: randomUUID(), jobId: randomUUID(), plate });

describe("a car by its plate alone", () => {
  it("is a vehicle of which nothing else is known, with a job on it, once however often it is sent", async () => {
    const shop = await smallShop(scratch, "Yard");
    const car = arrival("QRS 8800");
    const ids = await Promise.all([1, 2, 3].map(() => shop.at((desk) => takeIn(desk, car))));
    expect(ids).toEqual([car.jobId, car.jobId, car.jobId]);
    const { vehicle, card, jobs } = await shop.at((desk) => readVehicle(desk, car.vehicleId));
    expect(vehicle).toMatchObject({ plate: "QRS 8800", vin: null, name: "", distanceKm: null });
    expect(card).toBeNull();
    expect(jobs).toHaveLength(1);
  });

  it("that is in the books already is gone on with, whoever sends it", async () => {
    const shop = await smallShop(scratch, "Again");
    const { vehicle } = await shop.at((desk) => readVehicle(desk, shop.vehicleId));
    expect(await shop.at((desk) => takeIn(desk, arrival(vehicle.plate)))).toBe(shop.jobId);
    expect(await shop.at((desk) => takeIn(desk, arrival(vehicle.plate.replace(" ", ""))))).toBe(shop.jobId);
    const [one, two] = [arrival("TWO 1"), arrival("TWO-1")];
    const [first, second] = await Promise.all([one, two].map((car) => shop.at((desk) => takeIn(desk, car))));
    expect(first).toBe(second);
  });

  it("travels without a card, and what stands in a card's place and is none is refused", async () => {
    const [shop, other] = [await smallShop(scratch, "Cardless"), await smallShop(scratch, "Carded")];
    const car = arrival("CRD 1");
    await shop.at((desk) => takeIn(desk, car));
    const file = JSON.parse(JSON.stringify(await shop.at((desk) => exportJob(desk, car.jobId))));
    expect(file.card).toBeNull();
    for (const card of [0, "", false, [], "none", { circuit: "green" }])
      await expect(readInJob(other.at, { ...file, card }), JSON.stringify(card)).rejects.toMatchObject({
        message: expect.stringMatching(/no job file that can be read/),
      });
    expect(await readInJob(other.at, file)).toMatchObject({ isNew: true });
  });

  it("two without a VIN stand beside each other, and travel with their jobs", async () => {
    const [shop, other] = [await smallShop(scratch, "From"), await smallShop(scratch, "To")];
    const [one, two] = [arrival("NOV 1"), arrival("NOV 2")];
    for (const car of [one, two]) await shop.at((desk) => takeIn(desk, car));
    const file = JSON.parse(JSON.stringify(await shop.at((desk) => exportJob(desk, one.jobId))));
    expect(file.vehicle.vin).toBeNull();
    const { id } = await readInJob(other.at, file);
    expect(await readInJob(other.at, file)).toMatchObject({ id, isNew: false });
  });
});

describe("what is known later", () => {
  it("is written down with who said it; another's VIN is refused", async () => {
    const shop = await smallShop(scratch, "Later");
    const car = arrival("LAT 1");
    await shop.at((desk) => takeIn(desk, car));
    const say = (said: Parameters<typeof identifyVehicle>[2]) =>
      shop.at((desk) => identifyVehicle(desk, car.vehicleId, said));
    await expect(say({ name: "Later Wayfarer", vin: shop.vin, use: "" })).rejects.toMatchObject({
      fields: { vin: expect.stringMatching(/in the books already/) },
    });
    await say({ name: "Later Wayfarer", vin: null, use: "school run" });
    // Left open by somebody whose page is older: what is known stays.
    await say({ name: "", vin: null, use: "" });
    const page = await shop.at((desk) => readVehicle(desk, car.vehicleId));
    expect(page.vehicle).toMatchObject({ name: "Later Wayfarer", vin: null, use: "school run" });
    expect(page.cardFrom).toEqual({ takenFrom: null, model: expect.stringMatching(/^LAT 1\d\d\d$/) });
  });

  it("a card comes from the same model, marked until it is looked at, and from nobody else", async () => {
    const shop = await smallShop(scratch, "Model");
    const add = async (plate: string, name: string) => {
      const id = randomUUID();
      await shop.at((desk) =>
        addVehicle(desk, { id, plate, vin: null, name, use: "", distanceKm: null, card: null }),
      );
      return id;
    };
    const [same, another, nameless] = [
      await add("MOD 1", "model wayfarer"),
      await add("MOD 2", "Another"),
      await add("MOD 3", ""),
    ];
    for (const id of [another, nameless])
      await expect(shop.at((desk) => takeCard(desk, id))).rejects.toMatchObject({ status: 409 });
    await shop.at((desk) => takeCard(desk, same));
    const page = () => shop.at((desk) => readVehicle(desk, same));
    expect((await page()).cardFrom.takenFrom).toMatch(/^MOD 1\d\d\d$/);
    expect((await page()).card).toMatchObject({ capacityL: 9.3, thermostatOpensC: 87 });
    await expect(shop.at((desk) => takeCard(desk, same))).rejects.toMatchObject({ status: 409 });
    await shop.at((desk) => ownCard(desk, same));
    expect((await page()).cardFrom.takenFrom).toBeNull();
    const stranger = await smallShop(scratch, "Model");
    await expect(stranger.at((desk) => takeCard(desk, same))).rejects.toMatchObject({ status: 404 });
  });

  it("a unit measured and a torque read stay with the vehicle, the last said counts", async () => {
    const shop = await smallShop(scratch, "Measured");
    const unit = (widthMm: number) =>
      newEntry({
        stage: "plan",
        kind: "note",
        item: "measured",
        data: { fact: "measured-unit", v: 1, steering: "left", widthMm },
      });
    const torque = (nm: number) =>
      newEntry({ stage: "build", kind: "note", item: "Bracket", data: { fact: "known-torque", v: 1, nm } });
    await shop.at((desk) => recordEntries(desk, shop.jobId, [unit(600), torque(20), unit(640), torque(22)]));
    const measured = await shop.at((desk) => readMeasured(desk, shop.jobId));
    expect(measured.unit?.fact).toMatchObject({ widthMm: 640 });
    expect(measured.torques).toEqual([{ what: "Bracket", nm: 22 }]);
    await expect(shop.at((desk) => recordEntries(desk, shop.jobId, [torque(0)]))).rejects.toMatchObject({
      message: expect.stringMatching(/from 0.5 N·m/),
    });
    expect((await shop.at((desk) => readVehicle(desk, shop.vehicleId))).measured.torques).toHaveLength(1);
  });
});
