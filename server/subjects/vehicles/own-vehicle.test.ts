import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { exportJob } from "../../books/jobs/export-job.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { smallShop } from "../../testing/small-shop.ts";
import { findVehicles } from "./find-vehicles.ts";
import { ownVehicle } from "./own-vehicle.ts";
import { readVehicle } from "./read-vehicle.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const NAME = "Perpetua Quillfeather";
const PHONE = "+00 (171) 555-0142";

/** Whether a text stands in any column of any table, as its text. */
async function standsAnywhere(text: string): Promise<string[]> {
  const [tables] = await scratch.owner.sequelize.query(
    "SELECT relname AS name FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind = 'r'",
  );
  const found: string[] = [];
  for (const { name } of tables as { name: string }[]) {
    const [rows] = await scratch.owner.sequelize.query(
      `SELECT 1 FROM "${name}" row WHERE row::text ILIKE $1 LIMIT 1`,
      { bind: [`%${text}%`] },
    );
    if (rows.length > 0) found.push(name);
  }
  return found;
}

describe("whose a vehicle is", () => {
  it("is found by a part of the name and by the telephone however it is written, in its own shop alone", async () => {
    const [shop, other] = [await smallShop(scratch, "Owned"), await smallShop(scratch, "Elsewhere")];
    await shop.at((desk) => ownVehicle(desk, shop.vehicleId, { name: NAME, phone: PHONE }));
    const found = (text: string, of = shop) => of.at((desk) => findVehicles(desk, text));
    for (const text of ["quillfeather", "Perpetua Q", "171 555", "1715550142", "555-0142"])
      expect(
        (await found(text)).map(({ id }) => id),
        text,
      ).toEqual([shop.vehicleId]);
    expect(await found("quillfeather", other)).toEqual([]);
    expect((await shop.at((desk) => readVehicle(desk, shop.vehicleId))).owner).toEqual({
      name: NAME,
      phone: PHONE,
    });
    await expect(
      other.at((desk) => ownVehicle(desk, shop.vehicleId, { name: "Somebody", phone: "" })),
    ).rejects.toMatchObject({ status: 404 });
    await expect(
      shop.at((desk) => ownVehicle(desk, randomUUID(), { name: "Somebody", phone: "" })),
    ).rejects.toMatchObject({ status: 404 });
  });

  it("is forgotten for good: neither name nor telephone stands in any table, nor goes along with a job", async () => {
    const shop = await smallShop(scratch, "Forgets");
    const name = "Ambrose Thistlewood";
    await shop.at((desk) => ownVehicle(desk, shop.vehicleId, { name, phone: "0099 4711 4711" }));
    expect(JSON.stringify(await shop.at((desk) => exportJob(desk, shop.jobId)))).not.toContain(name);
    expect(await standsAnywhere(name)).toEqual(["vehicles"]);
    await shop.at((desk) => ownVehicle(desk, shop.vehicleId, { name: "", phone: "" }));
    expect(await standsAnywhere(name)).toEqual([]);
    expect(await standsAnywhere("4711 4711")).toEqual([]);
    const { owner } = await shop.at((desk) => readVehicle(desk, shop.vehicleId));
    expect(owner).toEqual({ name: "", phone: "" });
  });
});
