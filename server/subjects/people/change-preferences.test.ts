import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type Scratch, scratchDatabase } from "../../testing/scratch-database.ts";
import { PIN, smallShop } from "../../testing/small-shop.ts";
import { changePreferences } from "./change-preferences.ts";
import { findSession } from "./find-session.ts";
import { signIn } from "./sign-in.ts";

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

describe("how a person likes it", () => {
  it("is the shop's way until they choose, then theirs alone, on whatever browser", async () => {
    const shop = await smallShop(scratch, "Ways");
    const seenBy = async (personId: string) => {
      const signed = await signIn(
        scratch.database,
        { personId, pin: PIN },
        { shopId: shop.shopId, source: "192.0.2.1" },
      );
      if ("refused" in signed) throw new Error(signed.refused);
      const found = await findSession(scratch.database, signed.token, new Date());
      return [found?.units, found?.keys];
    };
    const { technician, lead } = shop.people;
    expect(await seenBy(technician)).toEqual(["metric", "bare"]);
    await shop.at((desk) => changePreferences(desk, { units: "us" }), technician);
    await shop.at((desk) => changePreferences(desk, { keys: "off" }), technician);
    expect(await seenBy(technician)).toEqual(["us", "off"]);
    expect(await seenBy(lead)).toEqual(["metric", "bare"]);
  });
});
