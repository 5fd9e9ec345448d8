import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sizeAt } from "./sizes.ts";
import { wordsOf } from "./words.ts";

const size = (text: string) => sizeAt(wordsOf(text), 0);

/** Coarse and fine pitches of ISO 261 for the threads found on a car, in millimetres. */
const PITCHES: [string, string[]][] = [
  ["5", ["0.8", "0.5"]],
  ["6", ["1", "0.75"]],
  ["8", ["1.25", "1"]],
  ["10", ["1.5", "1.25", "1"]],
  ["12", ["1.75", "1.5", "1.25"]],
  ["14", ["2", "1.5"]],
];

describe("sizeAt", () => {
  it("knows pitch from length for every thread on a car, however it is typed", () => {
    const thread = fc
      .constantFrom(...PITCHES)
      .chain(([d, pitches]) => fc.tuple(fc.constant(d), fc.constantFrom(...pitches)));
    const length = fc.integer({ min: 6, max: 120 });
    const mark = fc.constantFrom("x", "×", " x ", " × ", "X");
    const unit = fc.constantFrom("", "mm");
    fc.assert(
      fc.property(thread, length, mark, unit, ([diameter, pitch], length, mark, unit) => {
        expect(size(`m${diameter}${mark}${length}${unit}`)?.name).toBe(`M${diameter}×${length}`);
        expect(size(`M${diameter}${mark}${pitch}`)?.name).toBe(`M${diameter}×${pitch}`);
        expect(size(`m${diameter}${mark}${pitch}${mark}${length}${unit}`)?.name).toBe(
          `M${diameter}×${pitch}×${length}`,
        );
        expect(size(`m${diameter}`)?.name).toBe(`M${diameter}`);
      }),
      { numRuns: 500 },
    );
  });

  it("takes a figure behind the length for how many", () => {
    expect(size("m6x20 x4")).toEqual({ name: "M6×20", used: 2, count: 4 });
    expect(size("m6x20x4")).toEqual({ name: "M6×20", used: 1, count: 4 });
    expect(size("m6x1x20 x4")).toEqual({ name: "M6×1×20", used: 2, count: 4 });
  });

  it.each([
    ["1/4-20", "1/4-20"],
    ["1/4-20x3/4", "1/4-20×3/4"],
    ["5/16-18 x 1-1/2", "5/16-18×1-1/2"],
    ["#10-32", "#10-32"],
    ["# 10", "#10"],
    ["t30", "T30"],
    ["e10", "E10"],
    ["10mm", "10 mm"],
    ["10 mm", "10 mm"],
  ])("%s", (text, name) => {
    expect(size(text)?.name).toBe(name);
  });

  it.each(["m", "m6x", "m6x20x4x2", "m6x20x2.5x1.5", "20", "bolt", "t", "300mm", '"m6"', "1/", "m600"])(
    "is none: %s",
    (text) => {
      expect(size(text)).toBeUndefined();
    },
  );
});
