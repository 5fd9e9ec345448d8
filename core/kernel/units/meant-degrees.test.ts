import { describe, expect, it } from "vitest";
import { meantDegrees } from "./meant-degrees.ts";

const rounded = (text: string, system: "metric" | "us") =>
  meantDegrees(text, system).map(({ celsius, system: read }) => [read, Math.round(celsius)]);

describe("what a typed temperature of an engine may mean", () => {
  it.each([
    // Hot in °C and cool in °F: no figure on which a cap may be opened by somebody's mistake.
    [
      "110",
      "us",
      [
        ["us", 43],
        ["metric", 110],
      ],
    ],
    [
      "95",
      "us",
      [
        ["us", 35],
        ["metric", 95],
      ],
    ],
    ["210", "us", [["us", 99]]],
    ["45", "us", [["us", 7]]],
    ["110 °C", "us", [["us", 110]]],
    ["95", "metric", [["metric", 95]]],
    [
      "210",
      "metric",
      [
        ["metric", 210],
        ["us", 99],
      ],
    ],
    ["210 °F", "metric", [["metric", 99]]],
    ["−5", "metric", [["metric", -5]]],
    ["50 L", "metric", []],
    ["warm", "us", []],
  ] as const)("%s in a %s shop", (text, system, meant) => expect(rounded(text, system)).toEqual(meant));
});
