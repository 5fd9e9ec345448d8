import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { smallShop } from "../../testing/small-shop.ts";
import { enrolDevice } from "../people/devices.ts";
import { readShop } from "./read-shop.ts";
import { tellUnsent } from "./tell-unsent.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const since = new Date("2031-03-04T10:42:00Z");

describe("what waits in a browser", () => {
  it("is told under the browser's own name, or its person's, until nothing waits", async () => {
    const shop = await smallShop(scratch, "Unsent");
    const [own, other] = [randomUUID(), randomUUID()];
    const device = await shop.at((desk) => enrolDevice(desk, "bay tablet"));
    await shop.at((desk) => tellUnsent(desk, { browserId: own, entries: 2, since, device }));
    await shop.at((desk) => tellUnsent(desk, { browserId: own, entries: 3, since, device }));
    await shop.at((desk) => tellUnsent(desk, { browserId: other, entries: 1, since, device: "nobody's" }));
    const told = async () => (await shop.at(readShop)).unsent.map(({ name, entries }) => [name, entries]);
    expect((await told()).sort()).toEqual([
      ["Unsent technician's browser", 1],
      ["bay tablet", 3],
    ]);
    await shop.at((desk) => tellUnsent(desk, { browserId: own, entries: 0, since, device }));
    await shop.at((desk) => tellUnsent(desk, { browserId: own, entries: 0, since, device }));
    expect(await told()).toEqual([["Unsent technician's browser", 1]]);
  });

  it("was never typed later than now, nor a lifetime ago", async () => {
    const shop = await smallShop(scratch, "Ahead");
    const stopped = randomUUID();
    const longAgo = new Date("-200000-01-01T00:00:00Z");
    await shop.at((desk) => tellUnsent(desk, { browserId: stopped, entries: 1, since: longAgo }));
    const [old] = (await shop.at(readShop)).unsent;
    expect(Date.now() - new Date(old?.since ?? 0).getTime()).toBeLessThan(366 * 86_400_000);
    await shop.at((desk) => tellUnsent(desk, { browserId: stopped, entries: 0, since: longAgo }));
    const before = Date.now();
    const ahead = new Date(before + 86_400_000);
    await shop.at((desk) => tellUnsent(desk, { browserId: randomUUID(), entries: 1, since: ahead }));
    const [told] = (await shop.at(readShop)).unsent;
    expect(new Date(told?.since ?? 0).getTime()).toBeLessThan(before + 60_000);
  });

  it("is seen by its own shop alone", async () => {
    const [here, there] = [await smallShop(scratch, "Here"), await smallShop(scratch, "There")];
    await here.at((desk) => tellUnsent(desk, { browserId: randomUUID(), entries: 1, since }));
    expect((await there.at(readShop)).unsent).toEqual([]);
  });
});
