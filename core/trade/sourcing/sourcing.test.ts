import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { breakEvenHours } from "./break-even-hours.ts";
import { compareOptions } from "./compare-options.ts";
import { type Option, type Terms } from "./option.ts";
import { repeatFailures } from "./repeat-failures.ts";
import { schoolsSay } from "./schools.ts";

const TERMS: Terms = { hourCents: 7200, dayOffRoadCents: 9000, horizonDays: 730, draws: 4000, seed: 7 };

/** Never fails, never wrong, takes what it takes. */
const CERTAIN: Option = {
  id: "maker's",
  grade: "maker's",
  supplier: "Coldbrook Parts",
  priceCents: 41_250,
  freightCents: 1_900,
  days: 2,
  fitHours: 3.5,
  extraHours: { least: 0, likely: 0, most: 0 },
  wrongPartOdds: 0,
  life: { medianDays: 1e7, shape: 3 },
  guarantee: { partDays: 730, labourDays: 0 },
};
const PATTERN: Option = {
  ...CERTAIN,
  id: "pattern",
  grade: "pattern",
  supplier: "Tansy & Rudge",
  priceCents: 14_900,
  days: 1,
  extraHours: { least: 0.2, likely: 0.5, most: 2 },
  wrongPartOdds: 0.08,
  life: { medianDays: 1500, shape: 1.6 },
  guarantee: { partDays: 365, labourDays: 0 },
};
const one = (option: Option, terms = TERMS) => {
  const [compared] = compareOptions([option], terms);
  if (!compared) throw new Error("one option gives one line");
  return compared;
};

/** Another way to the same figure: a shop that lives through its jobs one after another, by a generator of its own. */
function livedThrough(option: Option, terms: Terms, jobs: number): { mean: number; twice: number } {
  let state = 987_654_321n;
  const chance = () => {
    state = (state * 6_364_136_223_846_793_005n + 1_442_695_040_888_963_407n) & 0xffffffffffffffffn;
    return Number(state >> 11n) / 2 ** 53;
  };
  const scale = option.life.medianDays / Math.LN2 ** (1 / option.life.shape);
  let [sum, twice] = [0, 0];
  for (let job = 0; job < jobs; job++) {
    let age = Number.POSITIVE_INFINITY;
    let day = 0;
    let count = 0;
    while (day <= terms.horizonDays) {
      if (count === 0 || age > option.guarantee.partDays) sum += option.priceCents;
      do sum += option.freightCents + option.days * terms.dayOffRoadCents;
      while (chance() < option.wrongPartOdds);
      const { least, likely, most } = option.extraHours;
      let extra = likely;
      if (most > least) {
        // Thrown at a box and kept where it falls under the triangle.
        for (;;) {
          extra = least + chance() * (most - least);
          const height =
            extra < likely ? (extra - least) / (likely - least) : (most - extra) / (most - likely);
          if (chance() < height) break;
        }
      }
      if (count === 0 || age > option.guarantee.labourDays)
        sum += (option.fitHours + extra) * terms.hourCents;
      count++;
      age = scale * (-Math.log(chance())) ** (1 / option.life.shape);
      day += age;
    }
    if (count > 1) twice++;
  }
  return { mean: sum / jobs, twice: twice / jobs };
}

describe("compareOptions", () => {
  it("is exact where nothing is left to chance", () => {
    const exact = 41_250 + 1_900 + 2 * 9000 + 3.5 * 7200;
    expect(one(CERTAIN)).toMatchObject({
      expectedCents: exact,
      p10Cents: exact,
      p90Cents: exact,
      daysOff: expect.closeTo(2, 6),
      oddsTwice: expect.closeTo(0, 9),
    });
  });

  it.each([
    ["a pattern part", PATTERN],
    ["one that fails young", { ...PATTERN, life: { medianDays: 900, shape: 0.7 } }],
    ["one that wears out at once", { ...PATTERN, life: { medianDays: 200, shape: 5 } }],
    ["one that hardly lasts a month", { ...PATTERN, life: { medianDays: 25, shape: 3 } }],
    ["one with its work guaranteed", { ...PATTERN, guarantee: { partDays: 200, labourDays: 500 } }],
  ] as const)("agrees with a shop that lives through 60,000 jobs: %s", (_, option) => {
    const lived = livedThrough(option, TERMS, 60_000);
    const { expectedCents, oddsTwice } = one(option);
    expect(Math.abs(expectedCents / lived.mean - 1)).toBeLessThan(0.01);
    expect(Math.abs(oddsTwice - lived.twice)).toBeLessThan(0.008);
  });

  it("half of all are done twice in a time as long as the median life", () => {
    expect(one({ ...PATTERN, life: { medianDays: 730, shape: 2.3 } }).oddsTwice).toBeCloseTo(0.5, 12);
  });

  it("puts the cheapest first, whatever the order, and no figure hangs on the others", () => {
    const both = compareOptions([CERTAIN, PATTERN], TERMS);
    expect(compareOptions([PATTERN, CERTAIN], TERMS)).toEqual(both);
    expect(both.map(({ expectedCents }) => expectedCents)).toEqual(
      [one(CERTAIN), one(PATTERN)].map(({ expectedCents }) => expectedCents).sort((a, b) => a - b),
    );
    for (const each of both) {
      const alone = one(each.id === "pattern" ? PATTERN : CERTAIN);
      expect([each.p10Cents, each.p90Cents]).toEqual([alone.p10Cents, alone.p90Cents]);
    }
    expect(both[1]?.because).toMatch(/^Dearer than the cheapest, most of all by .+\. .+ done twice\.$/);
  });

  it("never gets dearer by a longer guarantee, a longer life or a surer order", () => {
    const days = fc.integer({ min: 0, max: 1500 });
    fc.assert(
      fc.property(
        days,
        days,
        fc.integer({ min: 1, max: 900 }),
        fc.double({ min: 0, max: 0.8, noNaN: true }),
        (part, labour, more, wrong) => {
          const option = {
            ...PATTERN,
            wrongPartOdds: wrong,
            guarantee: { partDays: part, labourDays: labour },
          };
          const terms = { ...TERMS, draws: 1 };
          const cost = one(option, terms).expectedCents;
          const cheaper = [
            { ...option, guarantee: { partDays: part + more, labourDays: labour } },
            { ...option, guarantee: { partDays: part, labourDays: labour + more } },
            { ...option, life: { ...option.life, medianDays: option.life.medianDays + more } },
            { ...option, wrongPartOdds: wrong / 2 },
          ];
          for (const each of cheaper) expect(one(each, terms).expectedCents).toBeLessThanOrEqual(cost);
        },
      ),
      { numRuns: 60 },
    );
  });

  it("spreads nine tenths either side of what was drawn", () => {
    const { p10Cents, p90Cents, expectedCents } = one(PATTERN);
    expect(p10Cents).toBeLessThan(expectedCents);
    expect(p90Cents).toBeGreaterThan(expectedCents);
  });

  it.each<[string, Partial<Option>, Partial<Terms>]>([
    ["a price that is none", { priceCents: -1 }, {}],
    ["half a cent", { priceCents: 0.5 }, {}],
    ["days before it is ordered", { days: -1 }, {}],
    ["nothing", { fitHours: Number.NaN }, {}],
    ["most under likely", { extraHours: { least: 0, likely: 2, most: 1 } }, {}],
    ["always wrong", { wrongPartOdds: 1 }, {}],
    ["no life", { life: { medianDays: 0, shape: 2 } }, {}],
    ["no shape", { life: { medianDays: 100, shape: 0 } }, {}],
    ["no time to answer for", {}, { horizonDays: 0 }],
    ["no draws", {}, { draws: 0 }],
    ["an hour for nothing and less", {}, { hourCents: -5 }],
  ])("refuses %s", (_, change, terms) => {
    expect(() => compareOptions([{ ...CERTAIN, ...change }], { ...TERMS, ...terms })).toThrow(RangeError);
  });

  it("refuses nothing at all, and one twice", () => {
    expect(() => compareOptions([], TERMS)).toThrow(/Nothing to compare/);
    expect(() => compareOptions([CERTAIN, CERTAIN], TERMS)).toThrow(/same id/);
  });
});

describe("breakEvenHours", () => {
  it("is the length of job at which both come to the same", () => {
    const hours = breakEvenHours(CERTAIN, PATTERN, TERMS);
    if (hours === null) throw new Error("the maker's part pays in the long run");
    const terms = { ...TERMS, draws: 1 };
    const at = (fitHours: number) =>
      compareOptions(
        [
          { ...CERTAIN, fitHours },
          { ...PATTERN, fitHours },
        ],
        terms,
      );
    const [a, b] = at(hours);
    expect(Math.abs((a?.expectedCents ?? 0) - (b?.expectedCents ?? 1e9))).toBeLessThanOrEqual(1);
    expect(at(hours + 1)[0]?.id).toBe("maker's");
    expect(at(Math.max(0, hours - 1))[0]?.id).toBe("pattern");
    expect(breakEvenHours(PATTERN, CERTAIN, TERMS)).toBe(hours);
  });

  it("never comes where the cheaper part lasts as long, and is 0 where the dearer wins at once", () => {
    expect(breakEvenHours(CERTAIN, { ...CERTAIN, id: "b", priceCents: 100 }, TERMS)).toBeNull();
    expect(breakEvenHours(CERTAIN, { ...PATTERN, days: 60, wrongPartOdds: 0.5 }, TERMS)).toBe(0);
  });
});

describe("the schools", () => {
  const options = [
    CERTAIN,
    PATTERN,
    { ...CERTAIN, id: "metal", grade: "all-metal" as const, priceCents: 60_000 },
  ];
  const say = (fitHours: number, failedBefore: number) => {
    const here = options.map((option) => ({ ...option, fitHours }));
    return schoolsSay({ options: here, compared: compareOptions(here, TERMS), failedBefore }).map(
      ({ id }) => id,
    );
  };

  it("each choose by their own rule, or say that it isn't their case", () => {
    expect(say(5, 0)).toEqual(["maker's", undefined, "maker's", undefined]);
    expect(say(1, 0)).toEqual([undefined, "pattern", "maker's", undefined]);
    expect(say(5, 2)).toEqual(["maker's", undefined, "maker's", "metal"]);
  });
});

describe("repeatFailures", () => {
  const life = (item: string) => ({ item, from: "2024-01-01T00:00:00Z" });

  it("asks why before a third is bought, of that part alone", () => {
    expect(repeatFailures("radiator", [life("radiator"), life("fan")])).toBeUndefined();
    const asked = repeatFailures(" Radiator", [life("radiator"), life("Radiator"), life("fan")]);
    expect(asked?.gone).toBe(2);
    expect(asked?.questions.join(" ")).toMatch(/mounted solid.*flex.*cap.*grade/s);
    expect(repeatFailures("", [life(""), life("")])).toBeUndefined();
  });
});
