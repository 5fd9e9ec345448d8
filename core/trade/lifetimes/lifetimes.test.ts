import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { compareGrades } from "./compare-grades.ts";
import { type Life } from "./life.ts";
import { survival } from "./survival.ts";
import { weibull } from "./weibull.ts";

/** Lives as they are printed: a + behind one that was still going when it was last seen. */
const livesOf = (printed: string): Life[] =>
  printed.split(" ").map((each) => ({ days: Number.parseFloat(each), failed: !each.endsWith("+") }));

/** Freireich and others, Blood 21 (1963): the example that every book on survival works through. */
const TREATED = livesOf("6 6 6 6+ 7 9+ 10 10+ 11+ 13 16 17+ 19+ 20+ 22 23 25+ 32+ 32+ 34+ 35+");
const PLACEBO = livesOf("1 1 2 2 3 4 4 5 5 8 8 8 8 11 11 12 12 15 17 22 23");

describe("survival", () => {
  it("is the published one, to 1e-6", () => {
    const shares = survival(TREATED).map(({ days, atRisk, share }) => [days, atRisk, share]);
    const steps = [
      [6, 21, 18 / 21],
      [7, 17, 16 / 17],
      [10, 15, 14 / 15],
      [13, 12, 11 / 12],
      [16, 11, 10 / 11],
      [22, 7, 6 / 7],
      [23, 6, 5 / 6],
    ];
    let share = 1;
    for (const [place, [days, atRisk, step]] of steps.entries()) {
      share *= step ?? 0;
      expect(shares[place]?.[0]).toBe(days);
      expect(shares[place]?.[1]).toBe(atRisk);
      expect(Math.abs((shares[place]?.[2] ?? 0) - share)).toBeLessThan(1e-6);
    }
    expect(share).toBeCloseTo(0.448_176, 5);
    expect(shares).toHaveLength(steps.length);
  });

  it("has the published intervals: 0.620 to 0.952 at 6, 0.188 to 0.678 at 23", () => {
    const rows = survival(TREATED);
    expect(rows[0]?.low).toBeCloseTo(0.62, 3);
    expect(rows[0]?.high).toBeCloseTo(0.9516, 3);
    expect(rows.at(-1)?.low).toBeCloseTo(0.188, 3);
    expect(rows.at(-1)?.high).toBeCloseTo(0.6801, 2);
  });

  it("only falls, within its band, for whatever lives", () => {
    const random = seededRandom(3);
    for (let run = 0; run < 300; run++) {
      const lives = Array.from({ length: Math.floor(random() * 30) }, () => ({
        days: Math.floor(random() * 40),
        failed: random() < 0.6,
      }));
      let before = 1;
      for (const { share, low, high } of survival(lives)) {
        expect(share).toBeLessThan(before);
        expect(low).toBeLessThanOrEqual(share);
        expect(high).toBeGreaterThanOrEqual(share);
        expect([low, high].every((each) => each >= 0 && each <= 1)).toBe(true);
        before = share;
      }
    }
  });

  it("of nothing, or of none that failed, has no row", () => {
    expect(survival([])).toEqual([]);
    expect(survival([{ days: 9, failed: false }])).toEqual([]);
  });
});

/** Log of the likelihood, straight from the density: what the fit has to be the highest point of. */
function likelihood(lives: Life[], shape: number, scale: number): number {
  return lives.reduce((sum, { days, failed }) => {
    const z = days / scale;
    return sum - z ** shape + (failed ? Math.log(shape / scale) + (shape - 1) * Math.log(z) : 0);
  }, 0);
}

describe("weibull", () => {
  it.each([
    ["treated", TREATED],
    ["placebo", PLACEBO],
  ])("is where the likelihood is highest: %s", (_, lives) => {
    const { shape, scaleDays } = weibull(lives);
    const best = likelihood(lives, shape, scaleDays);
    for (const step of [1e-6, 1e-4, 1e-2, 0.3])
      for (const [byShape, byScale] of [
        [1, 0],
        [-1, 0],
        [0, 1],
        [0, -1],
        [1, 1],
        [-1, 1],
      ]) {
        const there = likelihood(
          lives,
          shape * (1 + step * (byShape ?? 0)),
          scaleDays * (1 + step * (byScale ?? 0)),
        );
        expect(there).toBeLessThan(best + 1e-12);
      }
  });

  it("finds the distribution that lives were drawn from", () => {
    const random = seededRandom(8);
    const lives = Array.from({ length: 20_000 }, () => {
      const days = 900 * (-Math.log(1 - random())) ** (1 / 1.7);
      const seen = random() * 2000;
      return { days: Math.min(days, seen), failed: days <= seen };
    });
    const { shape, scaleDays } = weibull(lives);
    expect(Math.abs(shape / 1.7 - 1)).toBeLessThan(0.03);
    expect(Math.abs(scaleDays / 900 - 1)).toBeLessThan(0.03);
  });

  it("refuses too few, and lives without spread", () => {
    expect(() => weibull([{ days: 5, failed: true }])).toThrow(/1 failed/);
    expect(() => weibull(livesOf("7 7 7"))).toThrow(/one age/);
    expect(() => weibull(livesOf("-1 2"))).toThrow(RangeError);
    expect(weibull(livesOf("0 0 30 40+")).shape).toBeGreaterThan(0);
  });
});

describe("compareGrades", () => {
  it("is the published log-rank: 16.793, p 4.17e-5", () => {
    const { chi2, p } = compareGrades(TREATED, PLACEBO);
    expect(chi2).toBeCloseTo(16.792_941, 4);
    expect(p).toBeCloseTo(4.169e-5, 7);
    expect(compareGrades(PLACEBO, TREATED).chi2).toBeCloseTo(chi2, 9);
  });

  it("calls like kinds unlike as often as it says", () => {
    const random = seededRandom(4);
    const draw = () =>
      Array.from({ length: 25 }, () => ({ days: -Math.log(1 - random()) * 400, failed: random() < 0.8 }));
    let called = 0;
    for (let run = 0; run < 1000; run++) if (compareGrades(draw(), draw()).p < 0.05) called++;
    expect(called).toBeGreaterThan(25);
    expect(called).toBeLessThan(80);
  });

  it("says nothing of nothing", () => {
    expect(compareGrades([], [])).toEqual({ chi2: 0, p: 1 });
    expect(compareGrades(TREATED, [])).toEqual({ chi2: 0, p: 1 });
  });
});
