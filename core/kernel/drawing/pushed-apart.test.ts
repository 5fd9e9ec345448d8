import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { pushedApart } from "./pushed-apart.ts";

describe("pushedApart", () => {
  it("leaves what is clear where it is, and moves what would cover another", () => {
    const at = (...heights: number[]) =>
      pushedApart(
        heights.map((y) => ({ y })),
        8,
      ).map((label) => label.at);
    expect(at(10, 30)).toEqual([10, 30]);
    expect(at(30, 10, 12)).toEqual([10, 18, 30]);
  });

  it("keeps every label, none above its own height, none nearer than wanted", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 300 }), { maxLength: 12 }),
        fc.integer({ min: 1, max: 30 }),
        (heights, apart) => {
          const placed = pushedApart(
            heights.map((y) => ({ y })),
            apart,
          );
          expect(placed.map(({ y }) => y)).toEqual([...heights].sort((a, b) => a - b));
          placed.forEach(({ y, at }, place) => {
            expect(at).toBeGreaterThanOrEqual(y);
            if (place > 0) expect(at - (placed[place - 1]?.at ?? 0)).toBeGreaterThanOrEqual(apart);
          });
        },
      ),
    );
  });
});
