import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { listToday } from "../server/books/jobs/list-today.ts";
import { readJob } from "../server/books/jobs/read-job.ts";
import { atDesk } from "../server/database/connection.ts";
import { findVehicles } from "../server/subjects/vehicles/find-vehicles.ts";
import { readVehicle } from "../server/subjects/vehicles/read-vehicle.ts";
import { type Scratch, scratchDatabase } from "../server/testing/scratch-database.ts";
import { jobId, SHOP_ID, seedDemo } from "./seed.ts";
import { VEHICLES } from "./shop.ts";
import { withCheckDigit } from "./vin.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
  await seedDemo(scratch.owner, scratch.told, new Date());
});
afterAll(() => scratch.drop());

const at = <Result>(work: Parameters<typeof atDesk<Result>>[2]) =>
  atDesk(scratch.database, { shopId: SHOP_ID }, work);

describe("the made-up shop", () => {
  it("has 24 vehicles of eight models, 90 closed jobs in three years, six open ones, a dozen pictures and more", async () => {
    const vehicles = await at((desk) => findVehicles(desk, ""));
    expect(vehicles).toHaveLength(24);
    expect(new Set(vehicles.map(({ name }) => name)).size).toBe(8);
    expect(vehicles.reduce((sum, vehicle) => sum + vehicle.jobs, 0)).toBe(96);
    expect((await at(listToday)).map((slip) => slip.stage).sort()).toEqual([
      "ask",
      "build",
      "fill",
      "find",
      "plan",
      "prove",
    ]);
  });

  it("numbers its jobs by their days, and has pictures", async () => {
    const days = await at(({ models, transaction }) =>
      models.Job.findAll({ order: [["number", "ASC"]], transaction }),
    );
    const closed = days.filter(({ signedAt }) => signedAt).map(({ openedAt }) => openedAt.getTime());
    expect(closed).toEqual([...closed].sort((a, b) => a - b));
    expect(closed).toHaveLength(90);
    expect((Date.now() - (closed[0] ?? 0)) / 86_400_000).toBeGreaterThan(900);
    expect(
      await at(({ models, transaction }) => models.Picture.count({ transaction })),
    ).toBeGreaterThanOrEqual(12);
  });

  it("has parts that failed and parts that last, from its seeds", async () => {
    const vehicles = await at((desk) => findVehicles(desk, ""));
    const pages = await Promise.all(vehicles.map(({ id }) => at((desk) => readVehicle(desk, id))));
    const radiators = pages.flatMap(({ parts }) => parts.filter(({ item }) => item === "radiator"));
    expect(radiators.filter(({ to }) => to).length).toBeGreaterThan(5);
    expect(radiators.filter(({ to }) => !to).length).toBeGreaterThan(10);
  });

  it("closed every signed job with nothing open, by the core's own reckoning", async () => {
    for (const key of [
      ...Array.from({ length: 17 }, (_, n) => `s${String(n + 1).padStart(2, "0")}`),
      ...Array.from({ length: 73 }, (_, n) => `h${n + 1}`),
    ]) {
      const { job, entries } = await at((desk) => readJob(desk, jobId(key)));
      expect(job.signReason, `job ${key}`).toBeNull();
      const signature = entries.find(({ data }) => data?.fact === "signature");
      expect(signature?.data).toEqual({ fact: "signature", v: 2, open: [] });
    }
  });

  it("shows the parts of a vehicle with their dates, the replaced one ended by the next", async () => {
    const scholar = (await at((desk) => findVehicles(desk, "3062")))[0];
    const { parts, jobs } = await at((desk) => readVehicle(desk, scholar?.id ?? ""));
    expect(parts.map((part) => part.item)).toEqual(["radiator", "radiator", "radiator"]);
    expect(parts.map((part) => part.to !== undefined)).toEqual([false, true, true]);
    expect(jobs[0]?.signedAt).toBeNull();
  });

  it.each(["mrw3063", "MRW 3063", "library, upper"])("finds a vehicle by %j", async (search) => {
    expect((await at((desk) => findVehicles(desk, search))).map((vehicle) => vehicle.plate)).toEqual([
      "MRW 3063",
    ]);
  });

  it("finds by part of a VIN, and nothing by a wildcard", async () => {
    expect(await at((desk) => findVehicles(desk, "003062"))).toHaveLength(1);
    expect(await at((desk) => findVehicles(desk, "%"))).toEqual([]);
    expect(await at((desk) => findVehicles(desk, "_"))).toEqual([]);
  });
});

describe("withCheckDigit", () => {
  it("agrees with the worked example of the standard: seventeen ones check with a one", () => {
    expect(withCheckDigit("11111111011111111")).toBe("11111111111111111");
    for (const { vin } of VEHICLES) expect(vin).toMatch(/^0[A-HJ-NPR-Z0-9]{16}$/);
  });
});
