import { connect, createServer, type Socket } from "node:net";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Scratch, scratchDatabase } from "../testing/scratch-database.ts";
import { smallShop } from "../testing/small-shop.ts";
import { asRefusal } from "./as-refusal.ts";
import { atDesk, type Database, openDatabase } from "./connection.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

/** What stands between a shop and its database, and can fall silent. */
async function between(url: string) {
  const address = new URL(url);
  const { hostname, port } = address;
  const sockets = new Set<Socket>();
  let isSilent = false;
  const server = createServer((near) => {
    const far = connect(Number(port), hostname);
    for (const [from, to] of [
      [near, far],
      [far, near],
    ] as const) {
      sockets.add(from);
      from.on("data", (bytes) => isSilent || to.write(bytes));
      from.on("close", () => to.destroy());
      from.on("error", () => to.destroy());
    }
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  const listening = server.address();
  address.hostname = "127.0.0.1";
  address.port = String(typeof listening === "object" ? listening?.port : "");
  return {
    url: address.toString(),
    fallSilent: () => {
      isSilent = true;
    },
    speak: () => {
      isSilent = false;
    },
    close: () => {
      for (const socket of sockets) socket.destroy();
      return new Promise((resolve) => server.close(resolve));
    },
  };
}

const told = (work: Promise<unknown>) =>
  work.then(
    () => "done",
    (error) => {
      const { status, isDown, message } = asRefusal(error) ?? {};
      return { status, isDown, message };
    },
  );
const asks = (database: Database, shopId: string) =>
  atDesk(database, { shopId }, ({ models, transaction }) => models.Shop.count({ transaction }));

describe("a database", () => {
  it("that falls silent is given up, said to be so, and found again", async () => {
    const shop = await smallShop(scratch, "Silent");
    const way = await between(scratch.appUrl);
    const database = openDatabase(way.url);
    expect(await asks(database, shop.shopId)).toBe(1);
    way.fallSilent();
    const silent = { status: 503, isDown: true, message: expect.stringMatching(/doesn't answer/) };
    expect(await Promise.all([1, 2, 3].map(() => told(asks(database, shop.shopId))))).toEqual([
      silent,
      silent,
      silent,
    ]);
    way.speak();
    await expect.poll(() => told(asks(database, shop.shopId)), { timeout: 30_000 }).toBe("done");
    await way.close();
    await database.sequelize.close();
  });

  it("that isn't there is said to be missing", async () => {
    const way = await between(scratch.appUrl);
    await way.close();
    const database = openDatabase(way.url);
    expect(await told(asks(database, scratch.name))).toMatchObject({
      status: 503,
      isDown: true,
      message: expect.stringMatching(/can't be reached/),
    });
    await database.sequelize.close();
  });

  it("whose row somebody holds lets the others go on after a while, with a later and no no", async () => {
    const shop = await smallShop(scratch, "Held");
    let letGo = () => {};
    const held = new Promise<void>((resolve) => {
      letGo = resolve;
    });
    let isHeld = () => {};
    const taken = new Promise<void>((resolve) => {
      isHeld = resolve;
    });
    const holder = atDesk(scratch.owner, { shopId: shop.shopId }, async ({ models, transaction }) => {
      await models.Job.findOne({ where: { id: shop.jobId }, transaction, lock: true });
      isHeld();
      await held;
    });
    await taken;
    const answers = await Promise.all([1, 2].map(() => told(shop.book({ kind: "note", text: "mine" }))));
    letGo();
    await holder;
    for (const answer of answers)
      expect(answer).toMatchObject({
        status: 503,
        isDown: false,
        message: expect.stringMatching(/Somebody else|too long/),
      });
    expect(await told(shop.book({ kind: "note", text: "mine" }))).toBe("done");
  });
});
