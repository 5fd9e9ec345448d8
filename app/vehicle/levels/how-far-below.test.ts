import { describe, expect, it } from "vitest";
import { howFarBelow, shownLift } from "./how-far-below.ts";

describe("how far below its line a level stands", () => {
  it("is what was said in litres, whatever is known of the tank", () => {
    expect(howFarBelow({ missing: 0.4 }, "metric", 50)).toEqual({
      missingL: 0.4,
      belowMm: null,
      liftsMm: null,
    });
  });

  it("is its height in a tank that was measured, now or before", () => {
    expect(howFarBelow({ height: 25 }, "metric", 50)).toEqual({ missingL: 0.5, belowMm: 25, liftsMm: null });
    expect(howFarBelow({ height: 25, lifts: 100 }, "metric", 50)).toEqual({
      missingL: 0.25,
      belowMm: 25,
      liftsMm: 100,
    });
  });

  it("takes a US shop's lift for a quart's", () => {
    const found = howFarBelow({ height: 50, lifts: 50 }, "us", undefined);
    expect(found).toMatchObject({ missingL: expect.closeTo(0.946353, 5) });
    expect("liftsMm" in found && shownLift(found.liftsMm ?? 0, "us")).toBeCloseTo(50 / 25.4, 3);
  });

  it.each([
    [{}, "missing", /up to the line/],
    [{ missing: 0.4, height: 20 }, "height", /One of the two/],
    [{ height: 20 }, "lifts", /Nobody has measured/],
    [{ height: 27, toppedUp: 0.5 }, "lifts", /0\.5.L brought it to the line, that is 54 mm/],
    [{ height: 900, toppedUp: 0.5 }, "lifts", /how far does one L lift it\?$/],
    [{ height: -300, lifts: 50 }, "height", /brim/],
    [{ height: 1000, lifts: 5 }, "height", /No car holds/],
    [{ height: 20, lifts: 1 }, "lifts", /No car's tank/],
    [{ missing: 1, lifts: 900 }, "lifts", /No car's tank/],
  ])("%j is refused beside %s", (given, field, words) => {
    const found = howFarBelow(given, "metric", undefined);
    expect("fields" in found && found.fields[field]).toMatch(words);
  });
});
