import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { drained, drainWays } from "./drain-ways.ts";

describe("ways to drain", () => {
  it("share out what the system holds: what comes and what stays are the whole of it", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 200, noNaN: true }), (capacityL) => {
        for (const { comesL, keepsL } of drainWays(capacityL)) {
          expect(comesL.low + keepsL.high).toBeCloseTo(capacityL, 6);
          expect(comesL.high + keepsL.low).toBeCloseTo(capacityL, 6);
          expect(comesL.low).toBeGreaterThan(0);
          expect(comesL.low).toBeLessThan(comesL.high);
          expect(keepsL.low).toBeGreaterThan(0);
        }
      }),
    );
  });

  it("leave a third or more in the block but for the plug, as the trade finds it", () => {
    for (const { id, keepsL } of drainWays(9)) {
      if (id === "block-plug") expect(keepsL.high).toBeLessThan(3);
      else expect(keepsL.low).toBeGreaterThan(9 / 3);
    }
  });

  it("keep the cap on for the wet swap alone", () => {
    expect(drainWays(9).flatMap(({ id, cap }) => (cap === "on" ? [id] : []))).toEqual(["wet-swap"]);
  });

  it.each([
    [1, "less"],
    [4.5, "as expected"],
    [8, "more"],
  ])("%d L of nine from the tap is %s", (litres, said) => {
    const [tap] = drainWays(9);
    expect(tap && drained(litres, tap)).toBe(said);
  });

  it.each([0, -1, 201, Number.NaN, Number.POSITIVE_INFINITY])("refuse a system of %d L", (capacityL) =>
    expect(() => drainWays(capacityL)).toThrow(RangeError),
  );
  it("refuse litres that are none", () => {
    const [tap] = drainWays(9);
    expect(() => tap && drained(Number.NaN, tap)).toThrow(RangeError);
  });
});
