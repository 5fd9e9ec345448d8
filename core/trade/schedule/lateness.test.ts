import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { meanLate } from "./exact-day.fixture.ts";
import { type DayGiven, planDay, slackOf } from "./index.ts";
import { expectedLate } from "./lateness.ts";

const DAY = { closes: 1020, night: 900 };

describe("how late an end is to be expected", () => {
  it("is the mean of all ways that it may slip, the night among them", () => {
    const random = seededRandom(41);
    for (let each = 0; each < 300; each++) {
      const promisedAt = 500 + Math.floor(random() * 1500);
      const slack = Math.floor(random() * 120);
      const end = 490 + Math.floor(random() * 530);
      const told = expectedLate(end, { promisedAt, slack }, DAY);
      const mean = meanLate(end, { promisedAt, slack }, DAY);
      expect(Math.abs(told - mean), `${end} of ${promisedAt} ± ${slack}`).toBeLessThan(2 + 0.01 * mean);
    }
  });

  it("without slack is what it is late by, and never falls as an end comes later", () => {
    expect(expectedLate(700, { promisedAt: 640 }, DAY)).toBe(60);
    expect(expectedLate(700, { promisedAt: 760 }, DAY)).toBe(0);
    expect(expectedLate(5000, { promisedAt: 500, slack: 3 }, DAY)).toBeCloseTo(4500 + 1420, 6);
    expect(expectedLate(700, {}, DAY)).toBe(0);
    let last = 0;
    for (let end = 480; end < 1100; end += 5) {
      const late = expectedLate(end, { promisedAt: 800, slack: 45 }, DAY);
      expect(late).toBeGreaterThanOrEqual(last);
      last = late;
    }
  });
});

describe("the slack of a job", () => {
  it("grows with its work, and with how far the shop's own books spread", () => {
    const acts = (count: number) => Array.from({ length: count }, (_, at) => ({ id: `a${at}`, minutes: 30 }));
    expect(slackOf(acts(8))).toBeGreaterThan(slackOf(acts(2)) + 30);
    const wide = { middle: 1, sigma: 0.9, count: 40 };
    expect(slackOf(acts(4), () => wide)).toBeGreaterThan(slackOf(acts(4)) + 50);
  });

  it("begins what was promised soon before what is short, though by estimates both would be in time", () => {
    const given = (slack: number): DayGiven => ({
      now: 480,
      people: [{ id: "tobin", from: 480, to: 1020 }],
      lifts: 0,
      jobs: [
        { id: "short", acts: [{ id: "x", minutes: 60 }], promisedAt: 1010, slack },
        { id: "promised", acts: [{ id: "x", minutes: 120 }], promisedAt: 660, slack },
      ],
    });
    const first = (slack: number) => planDay(given(slack)).slips[0]?.job;
    expect(first(0)).toBe("short");
    expect(first(50)).toBe("promised");
  });
});
