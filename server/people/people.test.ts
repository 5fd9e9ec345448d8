import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { atDesk, findShopBySlug } from "../database/connection.ts";
import { migrate } from "../database/migrate.ts";
import { migrations } from "../database/migrations/index.ts";
import { type Scratch, scratchDatabase } from "../testing/scratch-database.ts";
import { PASSWORD, PIN, smallShop } from "../testing/small-shop.ts";
import { enrolDevice, findTiles } from "./devices.ts";
import { findSession } from "./find-session.ts";
import { secondsToWait } from "./patience.ts";
import { reaches } from "./roles.ts";
import { signIn, signOut } from "./sign-in.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

describe("signIn", () => {
  it("by PIN and by password opens a session that is renewed and ended", async () => {
    const shop = await smallShop(scratch, "Session");
    const now = new Date();
    const first = await shop.at((desk) => signIn(desk, { personId: shop.people.lead, pin: PIN }));
    if ("refused" in first) throw new Error(first.refused);
    const second = await shop.at((desk) =>
      signIn(desk, { name: "Session lead", password: PASSWORD }, first.token),
    );
    if ("refused" in second) throw new Error(second.refused);
    expect(await findSession(scratch.database, first.token, now)).toBeUndefined();
    expect(await findSession(scratch.database, second.token, now)).toMatchObject({
      name: "Session lead",
      role: "lead",
    });
    expect(
      await findSession(scratch.database, second.token, new Date(now.getTime() + 15 * 86_400_000)),
    ).toBeUndefined();
    await shop.at((desk) => signOut(desk, second.token));
    expect(await findSession(scratch.database, second.token, now)).toBeUndefined();
  });

  it("slows down after five wrong PINs, then pauses the name, and nobody else's", async () => {
    const shop = await smallShop(scratch, "Wrong");
    const start = Date.now();
    const attempt = (pin: string, seconds: number, personId = shop.people.technician) =>
      atDesk(scratch.database, { shopId: shop.shopId, now: new Date(start + seconds * 1000) }, (desk) =>
        signIn(desk, { personId, pin }),
      );
    for (let i = 0; i < 4; i++)
      expect(await attempt("0000", i)).toMatchObject({ refused: expect.stringMatching(/not this person/) });
    expect(await attempt("0000", 5)).toMatchObject({ refused: expect.stringMatching(/Wait 10 s/) });
    expect(await attempt(PIN, 6)).toMatchObject({ refused: expect.stringMatching(/Wait 9 s/) });
    expect(await attempt(PIN, 6, shop.people.lead)).toHaveProperty("token");
    let seconds = 5;
    for (let i = 0; i < 5; i++) {
      seconds += 61;
      await attempt("0000", seconds);
    }
    expect(await attempt(PIN, seconds + 100)).toMatchObject({
      refused: expect.stringMatching(/paused.*14 min/),
    });
    expect(await attempt(PIN, seconds + 901)).toHaveProperty("token");
  });

  it("counts tries that come at once one by one", async () => {
    const shop = await smallShop(scratch, "Burst");
    const tries = await Promise.all(
      Array.from({ length: 10 }, () =>
        shop.at((desk) => signIn(desk, { personId: shop.people.desk, pin: "1111" })),
      ),
    );
    expect(
      tries.filter((each) => "refused" in each && /Wait/.test(each.refused)).length,
    ).toBeGreaterThanOrEqual(5);
  });

  it("waits longer the more tries were wrong", () => {
    const now = new Date();
    const waits = [0, 4, 5, 6, 9, 10].map((failures) => secondsToWait(failures, now, now));
    expect(waits).toEqual([0, 0, 10, 20, 50, 900]);
  });
});

describe("what is stored", () => {
  it("is argon2id and hashes, never a PIN or a token", async () => {
    const shop = await smallShop(scratch, "Stored");
    const token = await shop.at((desk) => enrolDevice(desk, "bay tablet"));
    const person = await shop.at(({ models, transaction }) =>
      models.Person.findOne({ where: { id: shop.people.lead }, transaction }),
    );
    expect(person?.pinHash).toMatch(/^\$argon2id\$/);
    expect(person?.passwordHash).toMatch(/^\$argon2id\$/);
    const device = await shop.at(({ models, transaction }) => models.Device.findOne({ transaction }));
    expect(token).not.toContain(device?.tokenHash);
    expect(await findTiles(scratch.database, token)).toMatchObject({
      shopName: "Stored",
      people: [{}, {}, {}],
    });
    expect(await findTiles(scratch.database, token.replace(/.$/, "~"))).toBeUndefined();
  });
});

describe("roles", () => {
  it("reach from the desk up to the lead", () => {
    expect(reaches("lead", "desk")).toBe(true);
    expect(reaches("desk", "technician")).toBe(false);
  });
});

describe("two shops in one database", () => {
  it("never see a row of each other, table by table", async () => {
    const ours = await smallShop(scratch, "Ours");
    const theirs = await smallShop(scratch, "Theirs");
    await theirs.book({ kind: "note", text: "not for others" });
    await theirs.at((desk) => enrolDevice(desk, "their tablet"));
    await theirs.at((desk) => signIn(desk, { personId: theirs.people.lead, pin: PIN }));
    const [tables] = await scratch.owner.sequelize.query(
      "SELECT table_name FROM information_schema.columns WHERE column_name = 'shop_id' AND table_schema = 'public'",
    );
    expect(tables.length).toBeGreaterThanOrEqual(9);
    for (const { table_name } of tables as { table_name: string }[]) {
      const seen = (shop: typeof ours) =>
        shop.at(({ sequelize, transaction }) =>
          sequelize.query(`SELECT DISTINCT shop_id FROM ${table_name}`, { transaction }),
        );
      const [rows] = await seen(ours);
      for (const row of rows as { shop_id: string }[]) expect(row.shop_id).toBe(ours.shopId);
    }
    const [nobody] = await scratch.database.sequelize.query("SELECT * FROM entries");
    expect(nobody).toEqual([]);
    expect((await findShopBySlug(scratch.database, theirs.slug))?.name).toBe("Theirs");
  });

  it("can't write into each other's books", async () => {
    const ours = await smallShop(scratch, "Mine");
    const theirs = await smallShop(scratch, "Yours");
    await expect(
      ours.at(({ models, transaction }) =>
        models.Audit.create({ shopId: theirs.shopId, what: "planted" }, { transaction }),
      ),
    ).rejects.toThrow(/row-level security/);
    const taken = ours.at(({ sequelize, transaction }) =>
      sequelize.query(
        "INSERT INTO jobs (shop_id, id, number, vehicle_id, opened_by, opened_at) SELECT $1, gen_random_uuid(), 99, $2, $3, now()",
        {
          bind: [ours.shopId, theirs.vehicleId, ours.people.lead],
          transaction,
        },
      ),
    );
    await expect(taken).rejects.toThrow(/foreign key/);
  });
});

describe("migrations", () => {
  it("go all the way back and forth", async () => {
    const own = await scratchDatabase();
    const names = migrations.map(({ name }) => name);
    expect(await migrate(own.ownerUrl, "down")).toEqual(names.toReversed());
    expect(await migrate(own.ownerUrl)).toEqual(names);
    await own.drop();
  });
});
