import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, daysBetween, isDay } from "../../kernel/days/index.ts";
import { drivingPattern } from "./driving-pattern.ts";
import { followUps } from "./follow-ups.ts";
import { USUAL_RULES } from "./rules.ts";

const at = (day: number) => new Date(Date.UTC(2031, 0, 1) + day * 86_400_000).toISOString();
/** A vehicle that runs so many km a day, read every so many days. */
const run = (kmPerDay: number, every = 7, times = 8) =>
  Array.from({ length: times }, (_, index) => ({
    at: at(index * every),
    km: 10_000 + index * every * kmPerDay,
  }));

describe("days", () => {
  it.each(["2031-02-29", "2031-13-01", "31-01-01", "2031-1-1", "", "2031-01-01T00:00", "1999-12-31"])(
    "%s is none",
    (day) => expect(isDay(day)).toBe(false),
  );
  it("are counted over leap days, ends of years and summer time", () => {
    expect(addDays("2032-02-28", 1)).toBe("2032-02-29");
    expect(addDays("2031-12-31", 1)).toBe("2032-01-01");
    expect(addDays("2031-03-29", 2)).toBe("2031-03-31");
    fc.assert(
      fc.property(fc.integer({ min: -700, max: 700 }), (days) => {
        expect(daysBetween("2031-06-15", addDays("2031-06-15", days))).toBe(days);
      }),
    );
  });
  it("that are none are refused", () => expect(() => addDays("2031-02-30", 1)).toThrow(RangeError));
});

describe("how a vehicle is driven", () => {
  it("is told from its distances", () => expect(drivingPattern(run(94))?.kmPerDay).toBeCloseTo(94, 6));
  it("is not told from one reading, or from two of a day", () => {
    expect(drivingPattern([])).toBeUndefined();
    expect(drivingPattern([{ at: at(0), km: 5 }])).toBeUndefined();
    expect(
      drivingPattern([
        { at: at(0), km: 5 },
        { at: at(1), km: 400 },
      ]),
    ).toBeUndefined();
  });
  it.each([
    ["a digit too many", { at: at(24), km: 112_000 }],
    ["one figure too low", { at: at(24), km: 1 }],
    ["a first figure too low", { at: at(-20), km: 1 }],
    ["a first figure too high", { at: at(-20), km: 900_000 }],
    ["no figure", { at: at(24), km: Number.NaN }],
  ])("is moved by less than a quarter by %s", (_, wrong) => {
    const likely = drivingPattern([...run(80), wrong])?.kmPerDay ?? 0;
    expect(likely).toBeGreaterThan(60);
    expect(likely).toBeLessThan(100);
  });
  it("is told through slow and fast weeks, whatever the order they are given in", () => {
    const reads = [0, 70, 770, 840, 1540, 1610, 2310, 2380].map((km, week) => ({ at: at(week * 7), km }));
    expect(Math.abs((drivingPattern(reads.toReversed())?.kmPerDay ?? 0) - 2380 / 49)).toBeLessThan(12);
  });
});

describe("what is looked at again", () => {
  const work = { signedOn: "2031-03-06", distanceKm: 184_220, calls: ["coolant", "fan"] as const };
  it("is what the work calls for, soonest first", () => {
    expect(followUps(work, USUAL_RULES).map(({ rule, on, byKm }) => [rule, on, byKm])).toEqual([
      ["cold-level", "2031-03-07", undefined],
      ["level-again", "2031-03-13", 184_720],
      ["hot-traffic", "2031-03-20", undefined],
    ]);
    expect(followUps({ ...work, calls: [] }, USUAL_RULES)).toEqual([]);
    expect(followUps({ ...work, calls: ["second-bleed"] }, USUAL_RULES).map(({ rule }) => rule)).toEqual([
      "second-bleed",
    ]);
  });
  it("comes sooner where the road gets there first, and says so", () => {
    const [, level] = followUps(work, USUAL_RULES, drivingPattern(run(125)));
    expect(level).toMatchObject({ on: "2031-03-10", byKm: 184_720 });
    expect(level?.because).toMatch(/125 km a day in 4 days: that comes first/);
    const [, slow] = followUps(work, USUAL_RULES, drivingPattern(run(10)));
    expect(slow).toMatchObject({ on: "2031-03-13" });
    expect(slow?.because).toMatch(/the date comes first/);
  });
  it("is never later than the date of its rule, nor before the signature, however it is driven", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 2000, noNaN: true }),
        fc.integer({ min: 0, max: 730 }),
        fc.integer({ min: 1, max: 100_000 }),
        (rate, days, km) => {
          const rule = { id: "a", words: "a", after: "any" as const, days, km };
          const [only] = followUps(work, [rule], { kmPerDay: rate });
          const after = daysBetween(work.signedOn, only?.on ?? "");
          expect(after).toBeGreaterThanOrEqual(0);
          expect(after).toBeLessThanOrEqual(days);
          // By then it has not run much more than the rule lets it: a day's drive at most.
          if (after > 1) expect((after - 1) * rate).toBeLessThanOrEqual(km);
        },
      ),
    );
  });
  it.each([
    [{ days: -1 }],
    [{ days: 731 }],
    [{ days: 1.5 }],
    [{ days: Number.NaN }],
    [{ days: 1, km: 0 }],
    [{ days: 1, km: 1e9 }],
  ])("refuses a rule of %j", (wrong) => {
    const rule = { id: "a", words: "a", after: "any" as const, ...wrong };
    expect(() => followUps(work, [rule])).toThrow(RangeError);
  });
  it("refuses a day that is none", () =>
    expect(() => followUps({ ...work, signedOn: "soon" }, USUAL_RULES)).toThrow(RangeError));
});
