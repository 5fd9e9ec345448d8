import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { type Base } from "./base.ts";
import { atmosphereKPa, boilingPointC, boilMarginC } from "./boil.ts";
import { compatibility } from "./compatibility.ts";
import { expansionL } from "./expansion.ts";
import { fractionFromFreezePoint, freezePointC } from "./freeze.ts";
import { KINDS } from "./kinds.ts";
import { blend, correct, refill } from "./mix.ts";

/** ASHRAE Fundamentals: mass fraction to freezing point °C, as printed; by volume at 20 °C from the printed densities. */
const PUBLISHED: [Base, number, number, number][] = [
  ["ethylene", 0.229, -10.7, 103.3],
  ["ethylene", 0.375, -22.3, 105.6],
  ["ethylene", 0.476, -33.8, 107.2],
  ["ethylene", 0.578, -48.3, 110],
  ["propylene", 0.294, -12.7, 102.2],
  ["propylene", 0.6, -51.1, 107.2],
];
/** Boiling ethylene glycol mixes beyond the freezing table, from the same handbook. */
const STRONG: [number, number][] = [
  [0.629, 112.8],
  [0.68, 114.4],
];
const CONCENTRATE = { base: "ethylene", fraction: 1 } as const;
const READY = { base: "ethylene", fraction: 0.5 } as const;

describe("a mix freezes", () => {
  it.each(PUBLISHED)("as published: %s %d at %d °C", (base, fraction, freezeC) => {
    expect(freezePointC(base, fraction)).toBeCloseTo(freezeC, 6);
  });

  it("colder the stronger it is, all the way up to 0.60, and backwards again to 1e-9", () => {
    for (const base of ["ethylene", "propylene"] as const)
      for (let step = 1; step <= 600; step++) {
        const fraction = step / 1000;
        const freezeC = freezePointC(base, fraction);
        expect(freezeC).toBeLessThan(freezePointC(base, fraction - 0.001));
        expect(fractionFromFreezePoint(base, freezeC)).toBeCloseTo(fraction, 9);
      }
  });

  it("half and half near −37 °C, as every can says", () => {
    expect(freezePointC("ethylene", 0.5)).toBeCloseTo(-37, 0);
  });

  it.each([-0.01, 0.61, Number.NaN, Number.POSITIVE_INFINITY])(
    "not at a share of %d, and says so",
    (fraction) => {
      expect(() => freezePointC("ethylene", fraction)).toThrow(RangeError);
    },
  );
});

describe("a mix boils", () => {
  it.each(PUBLISHED)("as published within 1.6 °C: %s %d (%d), at %d °C", (base, fraction, _, boilC) => {
    expect(Math.abs(boilingPointC(base, fraction, 101.325) - boilC)).toBeLessThan(1.6);
  });
  it.each(STRONG)("as published when strong: %d at %d °C", (fraction, boilC) => {
    expect(Math.abs(boilingPointC("ethylene", fraction, 101.325) - boilC)).toBeLessThan(1.6);
  });
  /** Steam tables, kPa absolute to °C. */
  it.each([
    [101.325, 99.97],
    [50, 81.32],
    [70, 89.93],
    [150, 111.35],
    [200, 120.21],
    [250, 127.41],
    [400, 143.61],
  ])("as water by the steam tables: %d kPa at %d °C", (kPa, celsius) => {
    expect(Math.abs(boilingPointC("ethylene", 0, kPa) - celsius)).toBeLessThan(0.05);
  });
  it("under a 110 kPa cap at 130.8 °C, and at 1600 m at 127.9, half and half", () => {
    const given = { base: "ethylene", fraction: 0.5, capGaugeKPa: 110, coolantC: 105 } as const;
    expect(Math.abs(boilMarginC({ ...given, altitudeM: 0 }).boilsC - 130.8)).toBeLessThan(0.7);
    const high = boilMarginC({ ...given, altitudeM: 1600 });
    expect(Math.abs(high.boilsC - 127.9)).toBeLessThan(0.7);
    expect(high.marginC).toBeCloseTo(high.boilsC - 105, 9);
  });
  it.each([0, -1, Number.NaN, 1e9])("under no pressure such as %d kPa, and says so", (kPa) => {
    expect(() => boilingPointC("ethylene", 0.5, kPa)).toThrow(RangeError);
  });
  /** ICAO Doc 7488. */
  it.each([
    [0, 101.325],
    [500, 95.461],
    [1000, 89.875],
    [1600, 83.524],
    [3000, 70.108],
    [5000, 54.02],
  ])("under the air at %d m: %d kPa", (metres, kPa) => {
    expect(atmosphereKPa(metres)).toBeCloseTo(kPa, 1);
  });
});

describe("a mix swells", () => {
  it("by 3.8 % from 26.7 to 93.3 °C, half and half", () => {
    const swollen = expansionL({ base: "ethylene", fraction: 0.5, litres: 100, fromC: 26.7, toC: 93.3 });
    expect(Math.abs(swollen - 3.8)).toBeLessThan(0.2);
  });
  it("and shrinks back; propylene a little more than ethylene", () => {
    const hot = { fraction: 0.5, litres: 10, fromC: 20, toC: 95 };
    const ethylene = expansionL({ base: "ethylene", ...hot });
    expect(expansionL({ base: "ethylene", ...hot, fromC: 95, toC: 20 })).toBeCloseTo(-ethylene, 1);
    const propylene = expansionL({ base: "propylene", ...hot });
    expect(propylene).toBeGreaterThan(ethylene);
    expect(propylene).toBeLessThan(1.25 * ethylene);
  });
});

const random = seededRandom(5);
const between = (low: number, high: number) => low + random() * (high - low);

describe("what is poured", () => {
  it("loses no glycol and no litre, in two thousand systems", () => {
    for (let run = 0; run < 2000; run++) {
      const product = { base: "ethylene", fraction: random() < 0.5 ? 1 : between(0.3, 1) } as const;
      const capacityL = between(1, 60);
      const remainingL = capacityL * between(0, 0.95);
      const given = {
        capacityL,
        remainingL,
        remainingFraction: between(0, 0.75),
        targetFraction: between(0, Math.min(0.6, product.fraction)),
        product,
      };
      const done = refill(given);
      expect(done.productL).toBeGreaterThanOrEqual(0);
      expect(done.waterL).toBeGreaterThanOrEqual(-1e-9);
      expect(done.productL + done.waterL + remainingL).toBeCloseTo(capacityL, 9);
      const glycolL = remainingL * given.remainingFraction + done.productL * product.fraction;
      expect(done.fraction * capacityL).toBeCloseTo(glycolL, 9);
      if (done.reachable) expect(done.fraction).toBeCloseTo(given.targetFraction, 9);
      else {
        expect(done.rounds).toBeGreaterThan(1);
        const isWeak = given.remainingFraction < given.targetFraction;
        expect(isWeak ? done.waterL : done.productL).toBeCloseTo(0, 9);
      }
    }
  });

  it("says how many rounds, as pouring them one after the other does", () => {
    for (let run = 0; run < 500; run++) {
      const capacityL = between(4, 20);
      const remainingL = capacityL * between(0.2, 0.7);
      const product = random() < 0.5 ? CONCENTRATE : READY;
      const targetFraction = between(0.3, Math.min(0.6, product.fraction * 0.98));
      let fraction = 0;
      let poured = 0;
      let last = refill({ capacityL, remainingL, remainingFraction: 0, targetFraction, product });
      const { rounds } = last;
      for (;;) {
        poured++;
        fraction = last.fraction;
        if (Math.abs(fraction - targetFraction) <= 0.01) break;
        last = refill({ capacityL, remainingL, remainingFraction: fraction, targetFraction, product });
      }
      expect(Math.abs(rounds - poured)).toBeLessThanOrEqual(rounds === 2 && poured === 1 ? 1 : 0);
    }
  });

  it("warns of a flush: what the block kept thins a ready-mixed fill", () => {
    const thin = refill({
      capacityL: 8,
      remainingL: 3,
      remainingFraction: 0,
      targetFraction: 0.5,
      product: READY,
    });
    expect(thin.reachable).toBe(false);
    expect(thin.fraction).toBeCloseTo(5 / 16, 9);
    const enough = refill({
      capacityL: 8,
      remainingL: 3,
      remainingFraction: 0,
      targetFraction: 0.5,
      product: CONCENTRATE,
    });
    expect(enough).toMatchObject({ reachable: true, rounds: 1 });
    expect(enough.productL).toBeCloseTo(4, 9);
  });

  it("puts a wrong strength right, either way", () => {
    for (let run = 0; run < 1500; run++) {
      const given = {
        capacityL: between(2, 40),
        measuredFraction: between(0, 0.8),
        targetFraction: between(0, 0.6),
        product: CONCENTRATE,
      };
      const { drawL, productL, waterL, fraction } = correct(given);
      expect(drawL).toBeCloseTo(productL + waterL, 9);
      expect(drawL).toBeLessThanOrEqual(given.capacityL + 1e-9);
      const glycolL = (given.capacityL - drawL) * given.measuredFraction + productL;
      expect(glycolL / given.capacityL).toBeCloseTo(given.targetFraction, 9);
      expect(fraction).toBe(given.targetFraction);
    }
  });

  it("is mixed in the can alike", () => {
    expect(blend({ litres: 5, targetFraction: 0.4, product: CONCENTRATE })).toEqual({
      productL: 2,
      waterL: 3,
    });
    expect(blend({ litres: 5, targetFraction: 0.5, product: READY })).toEqual({ productL: 5, waterL: 0 });
  });

  it("is refused where it can't be, with the figure and its range", () => {
    expect(() => blend({ litres: 5, targetFraction: 0.55, product: READY })).toThrow(/0\.55.*0\.5/);
    expect(() => blend({ litres: -1, targetFraction: 0.5, product: READY })).toThrow(RangeError);
    expect(() =>
      blend({ litres: 1, targetFraction: 0.5, product: { base: "ethylene", fraction: 0 } }),
    ).toThrow(RangeError);
    const fill = { capacityL: 5, remainingL: 6, remainingFraction: 0, targetFraction: 0.5, product: READY };
    expect(() => refill(fill)).toThrow(/6.*0 to 5/);
    expect(() => refill({ ...fill, remainingL: 5 })).toThrow(/nothing can go in/);
    expect(() =>
      correct({ capacityL: 5, measuredFraction: Number.NaN, targetFraction: 0.4, product: READY }),
    ).toThrow(RangeError);
  });
});

describe("two kinds", () => {
  it("are never called safe unless they are one, and it makes no odds which was there first", () => {
    for (const a of KINDS)
      for (const b of KINDS) {
        const said = compatibility(a, b);
        expect(said.verdict === "same").toBe(a === b);
        expect(compatibility(b, a).verdict).toBe(said.verdict);
        expect(said.because).not.toBe("");
      }
    expect(compatibility("iat", "oat").verdict).toBe("do-not-mix");
  });
  it("aren't told by colour", () => {
    expect(() => compatibility("green" as "iat", "oat")).toThrow(RangeError);
  });
});
