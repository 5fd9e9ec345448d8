import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { PASSWORD, PIN, smallShop } from "../../testing/small-shop.ts";
import { changeRole, giveSecret, renamePerson, setActive } from "./change-person.ts";
import { findSession } from "./find-session.ts";
import { changeOwnSecret } from "./own-secret.ts";
import { readPerson } from "./read-person.ts";
import { hashSecret } from "./secrets.ts";
import { type Credentials, signIn } from "./sign-in.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

type Shop = Awaited<ReturnType<typeof smallShop>>;
const tryTo = (shop: Shop, credentials: Credentials) =>
  signIn(scratch.database, credentials, { shopId: shop.shopId, source: "192.0.2.1" });
async function tokenOf(shop: Shop, credentials: Credentials) {
  const answer = await tryTo(shop, credentials);
  if ("refused" in answer) throw new Error(answer.refused);
  return answer.token;
}
const isIn = async (token: string) => (await findSession(scratch.database, token, new Date())) !== undefined;

describe("a lead", () => {
  it("gives a new PIN and password, which end what was before", async () => {
    const shop = await smallShop(scratch, "Gives");
    const { technician, lead } = shop.people;
    const before = await tokenOf(shop, { personId: technician, pin: PIN });
    const pinHash = await hashSecret("7395");
    await shop.at((desk) => giveSecret(desk, technician, { pinHash }), lead);
    expect(await isIn(before)).toBe(false);
    expect(await tryTo(shop, { personId: technician, pin: PIN })).toHaveProperty("refused");
    expect(await tryTo(shop, { personId: technician, pin: "7395" })).toHaveProperty("token");
    expect(await tryTo(shop, { name: "Gives technician", password: PASSWORD })).toHaveProperty("token");
  });

  it("renames, and nobody to another's name", async () => {
    const shop = await smallShop(scratch, "Rename");
    const { technician, desk, lead } = shop.people;
    await shop.at((given) => renamePerson(given, technician, "Runa Tove"), lead);
    expect(await tryTo(shop, { name: "Runa Tove", password: PASSWORD })).toHaveProperty("token");
    await expect(shop.at((given) => renamePerson(given, desk, "Runa Tove"), lead)).rejects.toMatchObject({
      fields: { name: expect.stringMatching(/already/) },
    });
  });

  it("changes what somebody does, who then signs in for it again", async () => {
    const shop = await smallShop(scratch, "Roles");
    const { technician, lead } = shop.people;
    const before = await tokenOf(shop, { personId: technician, pin: PIN });
    await shop.at((desk) => changeRole(desk, technician, "lead"), lead);
    expect(await isIn(before)).toBe(false);
    const again = await tokenOf(shop, { personId: technician, pin: PIN });
    expect(await findSession(scratch.database, again, new Date())).toMatchObject({ role: "lead" });
  });

  it("can't be the last one and go, whatever way, two of them at once neither", async () => {
    const shop = await smallShop(scratch, "Last");
    const { technician, lead } = shop.people;
    const alone = { status: 409, message: expect.stringMatching(/only lead/) };
    await expect(shop.at((desk) => setActive(desk, lead, false), lead)).rejects.toMatchObject(alone);
    await expect(shop.at((desk) => changeRole(desk, lead, "desk"), lead)).rejects.toMatchObject(alone);
    await shop.at((desk) => changeRole(desk, technician, "lead"), lead);
    const both = await Promise.allSettled([
      shop.at((desk) => setActive(desk, lead, false), technician),
      shop.at((desk) => changeRole(desk, technician, "technician"), lead),
    ]);
    expect(both.map(({ status }) => status).sort()).toEqual(["fulfilled", "rejected"]);
    const leads = await shop.at(({ models, transaction }) =>
      models.Person.count({ where: { role: "lead", isActive: true }, transaction }),
    );
    expect(leads).toBe(1);
  });

  it("lets out and back in, and what they wrote stays", async () => {
    const shop = await smallShop(scratch, "Back");
    const { technician, lead } = shop.people;
    await shop.book({ kind: "note", text: "mine" });
    await shop.at((desk) => setActive(desk, technician, false), lead);
    expect(await tryTo(shop, { personId: technician, pin: PIN })).toHaveProperty("refused");
    expect(await shop.at((desk) => readPerson(desk, technician))).toMatchObject({
      isActive: false,
      signedIn: [],
    });
    await shop.at((desk) => setActive(desk, technician, true), lead);
    expect(await tryTo(shop, { personId: technician, pin: PIN })).toHaveProperty("token");
  });
});

describe("everyone", () => {
  const change = (shop: Shop, given: { now: string; pin?: string; password?: string }, session?: string) =>
    changeOwnSecret(
      scratch.database,
      { shopId: shop.shopId, personId: shop.people.technician, session },
      given,
    );

  it("changes their own with the password of now, and stays in here alone", async () => {
    const shop = await smallShop(scratch, "Own");
    const [here, elsewhere] = [
      await tokenOf(shop, { personId: shop.people.technician, pin: PIN }),
      await tokenOf(shop, { personId: shop.people.technician, pin: PIN }),
    ];
    await change(shop, { now: PASSWORD, pin: "7395", password: "lantern grows over moss" }, here);
    expect([await isIn(here), await isIn(elsewhere)]).toEqual([true, false]);
    expect(await tryTo(shop, { personId: shop.people.technician, pin: "7395" })).toHaveProperty("token");
    expect(await tryTo(shop, { name: "Own technician", password: "lantern grows over moss" })).toHaveProperty(
      "token",
    );
  });

  it("is refused without it, in ten tries and then not asked", async () => {
    const shop = await smallShop(scratch, "Guess");
    const wrong = () => change(shop, { now: "not it", pin: "7395" }).catch(({ fields }) => fields.now);
    for (let times = 0; times < 10; times++) expect(await wrong()).toMatch(/not your password/);
    expect(await wrong()).toMatch(/Too many/);
  });

  it("is refused what is tried first, beside its field", async () => {
    const shop = await smallShop(scratch, "Weak");
    await expect(change(shop, { now: PASSWORD, pin: "1234" })).rejects.toMatchObject({
      fields: { pin: expect.stringMatching(/runs/) },
    });
    await expect(change(shop, { now: PASSWORD, password: "Weaktechnician" })).rejects.toMatchObject({
      fields: { password: expect.stringMatching(/guessed/) },
    });
  });
});

describe("a statement that slipped past every use-case", () => {
  const asRole = (shop: Shop, who: string, sql: string, bind: unknown[] = []) =>
    shop.at(({ sequelize, transaction }) => sequelize.query(sql, { bind, transaction }), who);

  it.each([
    ["UPDATE people SET role = 'lead'", /permission denied/],
    ["UPDATE people SET pin_hash = 'x'", /permission denied/],
    ["UPDATE people SET is_active = true", /permission denied/],
    [
      "INSERT INTO people (shop_id, id, name, role, pin_hash, password_hash) SELECT shop_id, gen_random_uuid(), 'x', 'lead', 'x', 'x' FROM people LIMIT 1",
      /permission denied/,
    ],
    ["SELECT note_person('forged', '{}')", /permission denied/],
    ["SELECT change_standing(person_at_desk(), 'lead', true)", /only a lead/],
    ["SELECT add_person(gen_random_uuid(), 'x', 'lead', 'x', 'x', true)", /only a lead/],
    ["SELECT give_secret(id, 'x', NULL) FROM people WHERE role = 'lead'", /whose it is/],
  ])("makes nobody more than they are: %s", async (sql, words) => {
    const shop = await smallShop(scratch, "Slipped");
    await expect(asRole(shop, shop.people.technician, sql)).rejects.toThrow(words);
  });

  it("takes the last lead nothing, nor anybody of another shop anything", async () => {
    const [shop, other] = [await smallShop(scratch, "Here"), await smallShop(scratch, "Elsewhere")];
    const { lead } = shop.people;
    await expect(
      asRole(shop, lead, "SELECT change_standing($1, 'technician', true)", [lead]),
    ).rejects.toThrow(/has a lead/);
    await asRole(shop, lead, "SELECT give_secret($1, 'x', 'x')", [other.people.technician]);
    expect(await tryTo(other, { personId: other.people.technician, pin: PIN })).toHaveProperty("token");
  });

  it("is written down whatever changed", async () => {
    const shop = await smallShop(scratch, "Noted");
    const { lead, technician } = shop.people;
    await asRole(shop, lead, "SELECT change_standing($1, 'lead', false)", [technician]);
    await asRole(shop, lead, "SELECT give_secret($1, NULL, 'x')", [technician]);
    const rows = await shop.at(({ models, transaction }) =>
      models.Audit.findAll({ where: { personId: lead }, order: ["id"], transaction, raw: true }),
    );
    expect(rows.slice(-3).map(({ what }) => what)).toEqual(["role changed", "person left", "new password"]);
  });
});
