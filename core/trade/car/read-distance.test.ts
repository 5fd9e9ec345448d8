import { describe, expect, it } from "vitest";
import { readDistance } from "./read-distance.ts";

describe("a distance as it is typed", () => {
  it.each([
    ["184220", 184_220],
    ["184 220", 184_220],
    ["184,220", 184_220],
    ["184.220", 184_220],
    ["184'220", 184_220],
    ["1,184,220", 1_184_220],
    ["184 220 km", 184_220],
    ["184,220 km", 184_220],
    ["1,000", 1000],
    ["500", 500],
    ["12.5", 12.5],
    ["12,5", 12.5],
    ["0", 0],
    ["100 mi", 160.9344],
  ])("%j is %d km", (text, km) => expect(readDistance(text, "metric")).toBeCloseTo(km, 6));

  it("bare is in miles in a shop that has them", () =>
    expect(readDistance("114,500", "us")).toBeCloseTo(114_500 * 1.609344, 3));

  it.each([
    "",
    "  ",
    "far",
    "-5",
    "5 L",
    "12 °C",
    "1e99",
    "9 999 999",
    "12,34,56",
    "1..2",
    "Infinity",
    "NaN",
  ])("%j is none", (text) => expect(readDistance(text, "metric")).toBeUndefined());
});
