import { readdirSync, readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { capRatingKPa, fastestC, RADIATOR_LAG_C, usualMinimumL } from "./index.ts";

const sources = (folder: string) =>
  readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((name) => /\.tsx?$/.test(name) && !/\.(test|fixture)\./.test(name))
    .map((name) => ({ name: `${folder}/${name}`, text: readFileSync(`${folder}/${name}`, "utf8") }));

describe("limits", () => {
  it("stand once: no other file has one of its own", () => {
    const own =
      /const \w*(?:RADIATOR_LAG|CAP_OPENS|OPENS_AT|USUAL_CAP|USUAL_AIR|JUG_SHARE|NEVER_SHUT|HOTTEST_SOUND|SWITCH_TOLERANCE|MINIMUM_L)\w* = [\d{]/;
    const others = ["core", "server", "app"]
      .flatMap(sources)
      .filter(({ name, text }) => !name.startsWith("core/trade/limits/") && own.test(text));
    expect(others.map(({ name }) => name)).toEqual([]);
    // What is said of a cap in words is told from its figure too.
    const words = ["core", "app"].flatMap(sources).filter(({ text }) => /[Bb]elow about 50/.test(text));
    expect(words.map(({ name }) => name)).toEqual([]);
  });

  it("take a usual cap where a card says none, and no pressure that tells nothing", () => {
    expect([capRatingKPa(undefined), capRatingKPa(110), capRatingKPa(0)]).toEqual([100, 110, 10]);
  });

  it("lay the minimum half a litre below the line of a small system, and further down a large one", () => {
    expect([usualMinimumL(0), usualMinimumL(5), usualMinimumL(9), usualMinimumL(20)]).toEqual([
      0.5, 0.5, 0.7, 1.6,
    ]);
  });

  it("let no engine fall below its air or rise while it stands", () => {
    const celsius = fc.double({ min: -30, max: 130, noNaN: true });
    fc.assert(
      fc.property(celsius, fc.double({ min: 1, max: 2e5, noNaN: true }), celsius, (fromC, afterS, airC) => {
        const then = fastestC(fromC, afterS, airC);
        expect(then).toBeLessThanOrEqual(fromC + 1e-9);
        expect(then).toBeGreaterThanOrEqual(Math.min(fromC, airC - 3) - 1e-9);
        expect(fastestC(fromC, afterS + 60, airC)).toBeLessThanOrEqual(then + 1e-9);
      }),
    );
  });

  it("order a radiator's lag from the least to the most", () => {
    const { least, usualLeast, usualMost, most } = RADIATOR_LAG_C;
    expect([least, usualLeast, usualMost, most]).toEqual(
      [...[least, usualLeast, usualMost, most]].sort((a, b) => a - b),
    );
  });
});
