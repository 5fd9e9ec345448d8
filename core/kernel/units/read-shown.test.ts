import { describe, expect, it } from "vitest";
import { readShown } from "./read-shown.ts";
import { inShownUnits } from "./shown-units.ts";

describe("a figure typed into a field", () => {
  it.each([
    ["5", "volume", "metric", 5],
    ["5,5", "volume", "metric", 5.5],
    ["1", "volume", "us", 0.946_353],
    ["5 qt", "volume", "metric", 4.731_765],
    ["−5", "temperature", "metric", -5],
    ["212", "temperature", "us", 100],
    ["16 psi", "pressure", "metric", 110.316],
  ] as const)("%j as %s in %s is %d", (text, dimension, system, value) => {
    expect(readShown(text, dimension, system)).toBeCloseTo(value, 2);
  });

  it.each([
    ["50 °C", "volume"],
    ["50 L", "temperature"],
    ["110 kPa", "temperature"],
    ["a bit", "volume"],
    ["", "volume"],
    ["1.2.3", "volume"],
  ] as const)("%j is no %s", (text, dimension) => {
    expect(readShown(text, dimension, "metric")).toBeUndefined();
  });
});

describe("a sentence in core units", () => {
  it("is left as it is for a metric shop, and turned whole for a US one", () => {
    const said = "0.5 L above the minimum; 110 kPa held at 90 °C.";
    expect(inShownUnits(said, "metric")).toBe(said);
    const us = inShownUnits(said, "us");
    expect(us).toMatch(/^0\.53.qt above the minimum; 16\.0.psi held at 194.°F/);
    expect(us).not.toMatch(/ L | kPa /);
  });
});
