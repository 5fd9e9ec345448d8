import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { distanceTrouble } from "./distance-trouble.ts";

const at = (km: number, ms: number) => ({ km, ms });

describe("a distance beside others of the same car", () => {
  it.each([
    ["less than before", at(90_000, 2), [at(184_220, 1)], "It has run 184\u202f220\u00a0km already."],
    ["more than later", at(90_000, 1), [at(80_000, 2)], "Later it had run only 80\u202f000\u00a0km."],
    ["the same", at(100_001, 2), [at(100_001, 1)], undefined],
    ["what was shown of a tenth more", at(100_001, 2), [at(100_001.4, 1)], undefined],
    ["more", at(100_300, 2), [at(100_001.4, 1)], undefined],
    ["between two", at(150, 2), [at(100, 1), at(200, 3)], undefined],
    ["the first ever", at(7, 2), [], undefined],
    ["two kilometres less", at(99_999, 2), [at(100_001, 1)], "It has run 100\u202f001\u00a0km already."],
  ] as const)("%s", (_, read, known, words) => {
    expect(distanceTrouble(read, known, "metric")?.words).toBe(words);
  });

  it("is read in the shop's own unit, and a mile hides what it rounds", () => {
    const known = [at(1000, 1), at(5000, 2)];
    expect(distanceTrouble(at(900, 4), known, "us")?.words).toBe("It has run 3107\u00a0mi already.");
    // 62 138 mi are shown of 100 001.4 km, and 62 138 mi are 100 001.2.
    expect(distanceTrouble(at(62_138 * 1.609344, 2), [at(100_001.4, 1)], "us")).toBeUndefined();
  });

  it("holds nothing back after an instrument was changed", () => {
    const known = [at(184_220, 1), at(12, 2)];
    expect(distanceTrouble(at(150, 3), known, "metric")).toBeUndefined();
    expect(distanceTrouble(at(5, 3), known, "metric")?.words).toMatch(/12\u00a0km already/);
  });

  it("is none of a car's readings in their order, whoever rounds them, and always one that was turned back or put too high", () => {
    const legs = fc.array(fc.double({ min: 0, max: 900, noNaN: true }), { minLength: 2, maxLength: 30 });
    const off = fc.double({ min: 3, max: 500, noNaN: true });
    fc.assert(
      fc.property(legs, fc.nat(28), off, (steps, pick, by) => {
        let km = 10_000;
        const readings = steps.map((step, ms) => {
          km += step;
          return at(Math.floor(km), ms);
        });
        const shuffled = readings.toSorted((a, b) => ((a.ms * 7) % 5) - ((b.ms * 7) % 5));
        for (const read of readings)
          expect(
            distanceTrouble(
              read,
              shuffled.filter((each) => each !== read),
              "metric",
            ),
          ).toBeUndefined();
        const place = pick % (readings.length - 1);
        const [before, after] = [readings[place], readings[place + 1]] as [
          (typeof readings)[0],
          (typeof readings)[0],
        ];
        const between = (km: number) => distanceTrouble(at(km, place + 0.5), shuffled, "metric");
        expect(between(before.km - by)?.against).toBe(before);
        expect(between(after.km + by)?.against).toBe(after);
      }),
    );
  });
});
