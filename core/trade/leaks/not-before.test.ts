import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { medianOf } from "../../kernel/statistics/index.ts";
import { leakStory, STORIES, type Story } from "./leak-stories.fixture.ts";
import { reaches } from "./reaches.ts";
import { DAY_MS } from "./virtual-leak.fixture.ts";

describe("not before", () => {
  const told = (story: Story, cars: number, seed: number) => {
    const random = seededRandom(seed);
    return Array.from({ length: cars }, () => {
      const { levels, minimumL, meetsDays, newlyGoneL } = leakStory(story, random);
      const lastMs = Date.parse(levels.at(-1)?.at ?? "");
      const { earliest, advice } = reaches(levels, minimumL);
      const earliestDays = earliest ? (Date.parse(earliest) - lastMs) / DAY_MS : Number.POSITIVE_INFINITY;
      return { advice, meetsDays, newlyGoneL, share: earliestDays / meetsDays };
    });
  };

  it("is too late for fewer than one in ten of leaks that grow or began since the look before", () => {
    for (const story of ["began lately", "growing"] as const) {
      const cars = told(story, 300, 11);
      expect(cars.filter(({ share }) => share > 1).length / cars.length, story).toBeLessThan(0.1);
    }
  });

  it("is not so early for a leak that goes on as it went that it says nothing", () => {
    const shares = told("constant", 200, 12).map(({ share }) => share);
    expect(medianOf(shares)).toBeGreaterThan(0.3);
    expect(Math.max(...shares)).toBeLessThan(1);
  });

  it("comforts nobody whose looks could show what goes", () => {
    const comforted = STORIES.flatMap((story) => told(story, 150, 13)).filter(
      ({ advice, meetsDays }) => advice === "drive" && meetsDays <= 10,
    );
    expect(comforted.length).toBeGreaterThan(0);
    for (const { newlyGoneL } of comforted) expect(newlyGoneL).toBeLessThan(0.45);
  });
});
