import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fractionFromFreezePoint, freezePointC } from "./freeze.ts";
import { fractionByInstrument } from "./instrument.ts";

const BASES = ["ethylene", "propylene"] as const;
const refractometer = { instrument: "refractometer" } as const;

describe("what an instrument shows", () => {
  it.each(BASES)("is right as it stands in the glycol that it is made for: %s", (base) => {
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 0.57, noNaN: true }), (fraction) => {
        const freezeC = freezePointC(base, fraction);
        for (const instrument of ["refractometer", "float"] as const)
          expect(fractionByInstrument({ instrument, madeFor: base, base, shows: { freezeC } })).toBeCloseTo(
            fraction,
            6,
          );
      }),
    );
  });

  it("is too cold of propylene on a scale for ethylene, by the table's own difference", () => {
    // Half and half: ethylene freezes at −36.4, propylene at −33.5; the light is bent alike within one part in a hundred.
    const fraction = fractionByInstrument({
      ...refractometer,
      madeFor: "ethylene",
      base: "propylene",
      shows: { freezeC: -36.4 },
    });
    expect(fraction).toBeGreaterThan(0.485);
    expect(fraction).toBeLessThan(0.5);
    expect(freezePointC("propylene", fraction)).toBeGreaterThan(-33.6);
    expect(freezePointC("propylene", fraction)).toBeLessThan(-31.5);
  });

  it("there and back on the other scale is where it was", () => {
    const there = fractionByInstrument({
      ...refractometer,
      madeFor: "ethylene",
      base: "propylene",
      shows: { fraction: 0.4 },
    });
    const back = fractionByInstrument({
      ...refractometer,
      madeFor: "propylene",
      base: "ethylene",
      shows: { fraction: there },
    });
    expect(back).toBeCloseTo(0.4, 12);
    expect(there).toBeCloseTo(0.4, 2);
  });

  it("of a float in the other glycol is nothing", () => {
    for (const [madeFor, base] of [
      ["ethylene", "propylene"],
      ["propylene", "ethylene"],
    ] as const)
      expect(() =>
        fractionByInstrument({ instrument: "float", madeFor, base, shows: { fraction: 0.5 } }),
      ).toThrow(/refractometer/);
  });

  it("that no mix has is refused", () => {
    for (const shows of [
      { freezeC: 3 },
      { freezeC: -90 },
      { fraction: -0.1 },
      { fraction: 1.2 },
      { fraction: Number.NaN },
    ])
      expect(() =>
        fractionByInstrument({ ...refractometer, madeFor: "ethylene", base: "ethylene", shows }),
      ).toThrow(RangeError);
    expect(fractionFromFreezePoint("ethylene", 0)).toBeCloseTo(0, 6);
  });
});
