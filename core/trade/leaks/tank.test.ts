import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { LIFTS_MM, liftOf, missingByHeight } from "./tank.ts";

describe("a level by its height", () => {
  it("is so many litres in a box of known size", () => {
    // 200 × 100 mm: a litre, a million cubic millimetres, stands 50 mm high in it.
    expect(missingByHeight(25, 50)).toBe(0.5);
    expect(missingByHeight(-10, 50)).toBe(-0.2);
  });

  it("and the tank's own measure are told by each other", () => {
    fc.assert(
      fc.property(
        fc.double({ min: LIFTS_MM.least, max: LIFTS_MM.most, noNaN: true }),
        fc.double({ min: 1, max: 300, noNaN: true }),
        (lifts, below) => {
          const litres = missingByHeight(below, lifts);
          expect(liftOf(below, litres)).toBeCloseTo(lifts, 6);
        },
      ),
    );
  });

  it("is refused of a tank that no car has, and no tank is told by what was misread", () => {
    for (const lifts of [0, -50, Number.NaN, LIFTS_MM.most + 1])
      expect(() => missingByHeight(10, lifts)).toThrow(RangeError);
    expect(liftOf(1000, 0.5)).toBeUndefined();
    expect(liftOf(10, 0)).toBeUndefined();
    expect(liftOf(-10, 1)).toBeUndefined();
  });
});
