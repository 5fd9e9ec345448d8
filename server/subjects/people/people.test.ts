import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { findShopBySlug } from "../../database/connection.ts";
import { migrate } from "../../database/migrate.ts";
import { migrations } from "../../database/migrations/index.ts";
import { reaches } from "../../desk/roles.ts";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { PIN, smallShop } from "../../testing/small-shop.ts";
import { enrolDevice, findTiles } from "./devices.ts";
import { signIn } from "./sign-in.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

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
    await signIn(
      scratch.database,
      { personId: theirs.people.lead, pin: PIN },
      { shopId: theirs.shopId, source: "192.0.2.1" },
    );
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
