import { describe, expect, it } from "vitest";
import { inShownTemperatures } from "./shown-temperatures.ts";

const us = (text: string) => inShownTemperatures(text, "us").replaceAll("\u00a0", " ");

describe("a sentence written in °C, as a US shop reads it", () => {
  it.each([
    ["Below about 50 °C, cloth over it.", "Below about 122 °F (50 °C), cloth over it."],
    [
      "The fan started at 98 °C; the card says 98 °C.",
      "The fan started at 208 °F (98 °C); the card says 208 °F (98 °C).",
    ],
    ["the computer reads −40 °C", "the computer reads −40 °F (−40 °C)"],
    ["hottest 98°C", "hottest 208 °F (98 °C)"],
    [
      "960 °C at the housing is outside -40 to 130 °C",
      "1760 °F (960 °C) at the housing is outside −40 °F (-40 °C) to 266 °F (130 °C)",
    ],
  ])("%s", (metric, shown) => expect(us(metric)).toBe(shown));

  it.each([
    ["more than 5 °C apart", "more than 9 °F (5 °C) apart"],
    ["4 °C above the card's 87 °C", "7 °F (4 °C) above the card's 189 °F (87 °C)"],
    ["12.5 °C a minute", "23 °F (12.5 °C) a minute"],
    ["It fell back by 5 °C on the way up", "It fell back by 9 °F (5 °C) on the way up"],
    ["so it reads 12 °C hot", "so it reads 22 °F (12 °C) hot"],
    ["within 5 °C", "within 9 °F (5 °C)"],
  ])("turns a difference as a difference: %s", (metric, shown) => expect(us(metric)).toBe(shown));

  it("leaves everything else alone, and a metric shop's sentence whole", () => {
    expect(inShownTemperatures("M6×20, 50 %, bag 2", "us")).toBe("M6×20, 50 %, bag 2");
    expect(inShownTemperatures("at 98 °C", "metric")).toBe("at 98 °C");
    expect(us("99999999 °C")).toBe("99999999 °C");
  });
});
