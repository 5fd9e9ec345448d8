import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { dayInZone, momentInZone } from "./index.ts";

const ZONES = ["UTC", "Europe/Berlin", "America/Los_Angeles", "Asia/Kolkata", "Pacific/Kiritimati"];

describe("a day somewhere", () => {
  it.each([
    ["2031-03-06T22:59:59Z", "Europe/Berlin", "2031-03-06"],
    ["2031-03-06T23:00:00Z", "Europe/Berlin", "2031-03-07"],
    ["2031-03-06T07:59:00Z", "America/Los_Angeles", "2031-03-05"],
    ["2031-12-31T10:00:00Z", "Pacific/Kiritimati", "2032-01-01"],
  ])("at %s in %s is %s", (at, zone, day) => expect(dayInZone(new Date(at), zone)).toBe(day));

  it("is what the platform's own calendar says", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: Date.UTC(2001, 0, 1), max: Date.UTC(2099, 0, 1) }),
        fc.constantFrom(...ZONES),
        (ms, timeZone) => {
          // `sv-SE` for the order in which it writes a date, which is ISO's.
          const own = new Intl.DateTimeFormat("sv-SE", { timeZone, dateStyle: "short" });
          expect(dayInZone(new Date(ms), timeZone)).toBe(own.format(ms));
        },
      ),
    );
  });

  it("begins and ends where its clock says", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20_000 }), fc.constantFrom(...ZONES), (days, zone) => {
        const day = new Date(Date.UTC(2001, 0, 1) + days * 86_400_000).toISOString().slice(0, 10);
        expect(dayInZone(new Date(momentInZone(day, zone)), zone)).toBe(day);
        expect(dayInZone(new Date(momentInZone(`${day} 23:59:59`, zone)), zone)).toBe(day);
      }),
    );
  });
});
