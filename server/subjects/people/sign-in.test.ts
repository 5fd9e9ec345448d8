import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { PASSWORD, PIN, smallShop } from "../../testing/small-shop.ts";
import { setActive } from "./change-person.ts";
import { enrolDevice, inviteDevice, removeDevice, takeUpInvitation } from "./devices.ts";
import { findSession } from "./find-session.ts";
import { type Caller, type Credentials, signIn, signOut } from "./sign-in.ts";
import { letIn, networkOf } from "./tries.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const HOUR_MS = 3_600_000;
const later = (hours: number) => new Date(Date.now() + hours * HOUR_MS);

type Shop = Awaited<ReturnType<typeof smallShop>>;
const tryTo = (shop: Shop, credentials: Credentials, from: Partial<Caller> = {}) =>
  signIn(scratch.database, credentials, { shopId: shop.shopId, source: "192.0.2.1", ...from });
async function tokenOf(shop: Shop, credentials: Credentials, from: Partial<Caller> = {}) {
  const answer = await tryTo(shop, credentials, from);
  if ("refused" in answer) throw new Error(answer.refused);
  return answer.token;
}
const seen = (token: string, at = new Date()) => findSession(scratch.database, token, at);

describe("signIn", () => {
  it("by PIN and by password opens a session that is renewed and ended", async () => {
    const shop = await smallShop(scratch, "Session");
    const first = await tokenOf(shop, { personId: shop.people.lead, pin: PIN });
    const second = await tokenOf(shop, { name: "Session lead", password: PASSWORD }, { oldToken: first });
    expect(await seen(first)).toBeUndefined();
    expect(await seen(second)).toMatchObject({ name: "Session lead", role: "lead", isShared: false });
    expect(await seen(second, later(15 * 24))).toBeUndefined();
    await shop.at((desk) => signOut(desk, second));
    expect(await seen(second)).toBeUndefined();
  });

  it("locks nobody out of the shop's own tablet from elsewhere", async () => {
    const shop = await smallShop(scratch, "Street");
    const device = await shop.at((desk) => enrolDevice(desk, "bay tablet"));
    for (let wrong = 0; wrong < 30; wrong++)
      await tryTo(shop, { name: "Street technician", password: `guess ${wrong}` }, { source: "203.0.113.9" });
    expect(
      await tryTo(shop, { name: "Street technician", password: PASSWORD }, { source: "203.0.113.9" }),
    ).toMatchObject({ refused: expect.stringMatching(/from here/) });
    const { technician } = shop.people;
    expect(await tryTo(shop, { personId: technician, pin: PIN }, { device })).toHaveProperty("token");
    expect(
      await tryTo(shop, { name: "Street technician", password: PASSWORD }, { source: "198.51.100.4" }),
    ).toHaveProperty("token");
  });

  it("tells nobody which names there are: by words, by waiting, or by shop", async () => {
    const shop = await smallShop(scratch, "Names");
    const said = async (credentials: Credentials, more: Partial<Caller>) => {
      const answers = [];
      for (let wrong = 0; wrong < 12; wrong++) {
        const answer = await tryTo(shop, credentials, more);
        answers.push("refused" in answer ? answer.refused.replace(/\d+ s|\d+ min/, "a while") : "in");
      }
      return answers;
    };
    const there = await said({ name: "Names lead", password: "no" }, { source: "203.0.113.1" });
    const missing = await said({ name: "Nobody At All", password: "no" }, { source: "203.0.113.2" });
    const nowhere = await said(
      { name: "Names lead", password: "no" },
      { source: "203.0.113.3", shopId: "00000000-0000-4000-8000-000000000000" },
    );
    expect(missing).toEqual(there);
    expect(nowhere).toEqual(there);
    expect(there.at(-1)).toMatch(/Too many wrong tries/);
  });

  it("counts wrong PINs by browser and person, one by one though they come at once, and a lead lets in again", async () => {
    const shop = await smallShop(scratch, "Burst");
    const [tablet, other] = await Promise.all(
      ["tablet", "other"].map((name) => shop.at((desk) => enrolDevice(desk, name))),
    );
    const { technician, desk } = shop.people;
    const tries = await Promise.all(
      Array.from({ length: 20 }, () =>
        tryTo(shop, { personId: technician, pin: "1111" }, { device: tablet }),
      ),
    );
    expect(tries.filter((each) => "refused" in each && /Too many/.test(each.refused)).length).toBe(12);
    expect(await tryTo(shop, { personId: technician, pin: PIN }, { device: tablet })).toHaveProperty(
      "refused",
    );
    expect(await tryTo(shop, { personId: technician, pin: PIN }, { device: other })).toHaveProperty("token");
    expect(await tryTo(shop, { personId: desk, pin: PIN }, { device: tablet })).toHaveProperty("token");
    await shop.at((given) => letIn(given, technician), shop.people.lead);
    expect(await tryTo(shop, { personId: technician, pin: PIN }, { device: tablet })).toHaveProperty("token");
  });

  it("shuts a browser's PINs for the day where somebody goes through everybody's, and takes passwords still", async () => {
    const shop = await smallShop(scratch, "Patient");
    const device = await shop.at((desk) => enrolDevice(desk, "tablet"));
    for (let round = 0; round < 61; round++) {
      const personId = `00000000-0000-4000-8000-0000000000${String(10 + round)}`;
      await tryTo(shop, { personId, pin: "9999" }, { device });
    }
    expect(await tryTo(shop, { personId: shop.people.lead, pin: PIN }, { device })).toMatchObject({
      refused: expect.stringMatching(/Wait 1[34]\d\d min/),
    });
    expect(await tryTo(shop, { name: "Patient lead", password: PASSWORD }, { device })).toHaveProperty(
      "token",
    );
  });

  it("takes what a network has for itself as one source", () => {
    expect(networkOf("::ffff:192.0.2.7")).toBe("192.0.2.7");
    expect(networkOf("2001:db8:12:34:aaaa::1")).toBe(networkOf("2001:db8:12:34::ffff"));
    expect(networkOf("2001:db8:12:34::1")).not.toBe(networkOf("2001:db8:12:35::1"));
    expect(networkOf("2001:0db8::1")).toBe("2001:db8:0:0");
    expect(networkOf("unknown")).toBe("unknown");
  });
});

describe("a session", () => {
  it("ends with its browser, and with whoever left", async () => {
    const shop = await smallShop(scratch, "Ends");
    const device = await shop.at((desk) => enrolDevice(desk, "tablet"), shop.people.lead);
    const { technician, lead } = shop.people;
    const here = await tokenOf(shop, { personId: technician, pin: PIN }, { device });
    const elsewhere = await tokenOf(shop, { name: "Ends technician", password: PASSWORD });
    expect(await seen(here)).toMatchObject({ isShared: true });
    const [row] = await shop.at(({ models, transaction }) => models.Device.findAll({ transaction }));
    await shop.at((desk) => removeDevice(desk, row?.id ?? ""), lead);
    expect(await seen(here)).toBeUndefined();
    expect(await seen(elsewhere)).toBeDefined();
    await shop.at((desk) => setActive(desk, technician, false), lead);
    expect(await seen(elsewhere)).toBeUndefined();
    expect(await tryTo(shop, { name: "Ends technician", password: PASSWORD })).toHaveProperty("refused");
  });

  it("is left idle for four hours at most on a browser that others use, and for as long as it lasts on one's own", async () => {
    const shop = await smallShop(scratch, "Idle");
    const device = await shop.at((desk) => enrolDevice(desk, "tablet"));
    const { technician } = shop.people;
    const shared = await tokenOf(shop, { personId: technician, pin: PIN }, { device });
    const own = await tokenOf(shop, { name: "Idle technician", password: PASSWORD });
    for (const hours of [3, 6, 9]) expect(await seen(shared, later(hours)), `${hours} h`).toBeDefined();
    const byItself = { isUntouched: true };
    expect(await findSession(scratch.database, shared, later(12.9), byItself)).toBeDefined();
    expect(await seen(shared, later(13.1))).toBeUndefined();
    expect(await seen(own, later(24))).toBeDefined();
  });
});

describe("an invitation", () => {
  it("makes one browser the shop's own, once, and within the hour", async () => {
    const shop = await smallShop(scratch, "Invites");
    const invite = () => shop.at((desk) => inviteDevice(desk, "bay tablet"), shop.people.lead);
    const invited = await invite();
    const taken = await Promise.all([1, 2, 3].map(() => takeUpInvitation(scratch.database, invited)));
    const devices = taken.filter((each) => each !== undefined);
    expect(devices.length).toBe(1);
    expect(
      await tryTo(shop, { personId: shop.people.desk, pin: PIN }, { device: devices[0] }),
    ).toHaveProperty("token");
    expect(await takeUpInvitation(scratch.database, await invite(), later(1.01))).toBeUndefined();
    expect(await takeUpInvitation(scratch.database, `${shop.shopId}.${"A".repeat(43)}`)).toBeUndefined();
  });
});
