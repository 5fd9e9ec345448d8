import { describe, expect, it } from "vitest";
import { seededRandom } from "./index.ts";

describe("seededRandom", () => {
  it("repeats itself for a seed, differs for another, and fills 0 to 1 evenly", () => {
    const draw = (seed: number) => Array.from({ length: 5000 }, seededRandom(seed));
    expect(draw(4)).toEqual(draw(4));
    expect(draw(4)).not.toEqual(draw(5));
    const figures = draw(4);
    expect(Math.min(...figures)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...figures)).toBeLessThan(1);
    for (let tenth = 0; tenth < 10; tenth++) {
      const share = figures.filter((figure) => Math.floor(figure * 10) === tenth).length / figures.length;
      expect(Math.abs(share - 0.1)).toBeLessThan(0.02);
    }
  });
});
