import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type CoolingUnit, willItCool } from "./will-it-cool.ts";

const TODAY: CoolingUnit = {
  motorAmps: 20,
  coreWidthMm: 640,
  coreHeightMm: 400,
  coreThicknessMm: 26,
  freeShare: 0.8,
};

/** A car of its own: fan curve and duct met by halving, the core cut into thin slices one behind the other. */
function car(given: { zeta: number; duct: number; ntu: number; eta: number }) {
  return (unit: Required<CoolingUnit>) => {
    const area = (unit.coreWidthMm * unit.coreHeightMm) / 1e6;
    const resistance = (given.zeta * (unit.coreThicknessMm / 26)) / (area / 0.256) ** 2 + given.duct;
    // Shaft power into moving air: what is given per second is pressure times flow.
    const power = unit.motorAmps * 12 * given.eta;
    let [low, high] = [0, 10];
    for (let step = 0; step < 60; step++) {
      const flow = (low + high) / 2;
      if (resistance * flow ** 3 < power) low = flow;
      else high = flow;
    }
    const flow = (low + high) / 2;
    const slices = 40;
    let cold = 1;
    const perSlice =
      (given.ntu *
        (area / 0.256) *
        (unit.coreThicknessMm / 26) ** 0.75 *
        (flow / area / (1 / 0.256)) ** 0.45) /
      (flow * slices);
    for (let slice = 0; slice < slices; slice++) cold -= cold * (1 - Math.exp(-perSlice));
    return { flow, heat: flow * (1 - cold) };
  };
}

describe("will it cool", () => {
  it("the same unit cools as the same unit", () => {
    const same = willItCool(TODAY, TODAY);
    expect(same).toMatchObject({ verdict: "pass", takenSame: [], unmeasured: [] });
    for (const range of [same.air, same.heat, same.onRoad])
      for (const end of [range.low, range.high]) expect(end).toBeCloseTo(1, 9);
  });

  it("a slim fan of half the draw cools less; a thick core with the same fan draws less air", () => {
    const slim = willItCool(TODAY, { ...TODAY, motorAmps: 9 });
    expect(slim.air.high).toBeLessThan(0.85);
    expect(slim).toMatchObject({
      verdict: "fail",
      because: expect.stringMatching(/cools less.*standing still/),
    });
    const thick = willItCool(TODAY, { ...TODAY, coreThicknessMm: 56 });
    expect(thick.air.high).toBeLessThan(1);
    expect(thick.heat.high).toBeGreaterThan(1.1);
  });

  it("says what it was not told, and judges nothing by what was measured on one alone", () => {
    expect(willItCool({}, {})).toMatchObject({ takenSame: expect.arrayContaining(["the fan's draw"]) });
    const half = willItCool({ ...TODAY, motorAmps: undefined }, TODAY);
    expect(half).toMatchObject({ verdict: "not-seen", unmeasured: ["the fan's draw"] });
    expect(half.because).toMatch(/Measure the fan's draw on both/);
    for (const name of ["motorAmps", "coreWidthMm", "coreHeightMm", "coreThicknessMm"] as const) {
      const [old, made] = [{ ...TODAY }, { ...TODAY }];
      delete old[name];
      delete made[name];
      expect(willItCool(old, made).verdict, name).toBe("not-seen");
    }
    expect(willItCool({ motorAmps: 20 }, { motorAmps: 20 }).verdict).toBe("not-seen");
    expect(willItCool({ motorAmps: 20 }, { motorAmps: 6 }).verdict).toBe("not-seen");
  });

  it("an added cooler takes air and heat; what covers the core takes heat on the road", () => {
    const cooled = willItCool(TODAY, TODAY, 0.6);
    expect(cooled.air.high).toBeLessThan(1);
    expect(cooled.heat.high).toBeLessThan(1);
    expect(willItCool(TODAY, { ...TODAY, freeShare: 0.4 }).onRoad.high).toBeLessThan(0.95);
  });

  it("holds what a car of other equations does, in 19 of 20 cars and more", () => {
    const unit = fc.record({
      motorAmps: fc.double({ min: 6, max: 45, noNaN: true }),
      coreWidthMm: fc.double({ min: 500, max: 760, noNaN: true }),
      coreHeightMm: fc.double({ min: 340, max: 460, noNaN: true }),
      coreThicknessMm: fc.double({ min: 16, max: 60, noNaN: true }),
    });
    const world = fc.record({
      zeta: fc.double({ min: 50, max: 80, noNaN: true }),
      duct: fc.double({ min: 15, max: 50, noNaN: true }),
      ntu: fc.double({ min: 0.7, max: 1.3, noNaN: true }),
      eta: fc.double({ min: 0.2, max: 0.4, noNaN: true }),
    });
    let [within, all] = [0, 0];
    for (const [given, made] of fc.sample(fc.tuple(world, unit), { numRuns: 2000, seed: 11 })) {
      const measure = car(given);
      const [was, is] = [
        measure({ ...TODAY, freeShare: 1 } as Required<CoolingUnit>),
        measure({ ...made, freeShare: 1 }),
      ];
      const said = willItCool(TODAY, { ...made, freeShare: 0.8 });
      all++;
      if (is.flow / was.flow >= said.air.low * 0.99 && is.flow / was.flow <= said.air.high * 1.01) within++;
      if (said.verdict === "fail" && said.because.includes("standing still"))
        expect(is.heat / was.heat, JSON.stringify({ given, made })).toBeLessThan(1.05);
    }
    expect(within / all).toBeGreaterThan(0.95);
  });

  it("throws at figures that no car has, and never says NaN", () => {
    for (const wrong of [
      { motorAmps: 0 },
      { coreWidthMm: Number.NaN },
      { coreThicknessMm: 900 },
      { freeShare: 1.2 },
    ])
      expect(() => willItCool(TODAY, { ...TODAY, ...wrong })).toThrow(RangeError);
    expect(() => willItCool(TODAY, TODAY, 2)).toThrow(RangeError);
  });
});
