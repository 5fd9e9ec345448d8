import { describe, expect, it } from "vitest";
import type { Wait } from "../../core/stages/overview/index.ts";
import { clockOf, dateOf, dayOf, spanWords } from "./dates.ts";
import { waitUntilWords } from "./waits.ts";

const NIGHT = "2031-03-04T23:30:00.000Z";

describe("times on screen", () => {
  it("are in the shop's zone, not the browser's", () => {
    expect(clockOf(NIGHT, "UTC")).toBe("23:30");
    expect(clockOf(NIGHT, "Europe/Athens")).toBe("01:30");
    expect(dayOf(NIGHT, "UTC")).toMatch(/Tue,? 4 Mar/);
    expect(dayOf(NIGHT, "Europe/Athens")).toMatch(/Wed,? 5 Mar/);
    expect(dateOf(NIGHT, "America/New_York")).toBe("4 Mar 2031");
  });

  it.each([
    [0, "0 min"],
    [59, "59 min"],
    [60, "1 h"],
    [47 * 60, "47 h"],
    [48 * 60, "2 days"],
    [40 * 24 * 60, "40 days"],
    [-5, "0 min"],
  ])("a span of %i minutes is said as %s", (minutes, words) => {
    expect(spanWords(NIGHT, new Date(NIGHT).getTime() + minutes * 60_000)).toBe(words);
  });
});

describe("what a job waits for", () => {
  const until = (minutes: number): Wait => ({
    waitsFor: "heat",
    words: "cooling",
    since: NIGHT,
    until: new Date(new Date(NIGHT).getTime() + minutes * 60_000).toISOString(),
  });
  const now = new Date(NIGHT).getTime();

  it.each([
    [14, "14 min to go"],
    [0, "0 min to go"],
    [-1, "due now"],
    [89, "89 min to go"],
  ])("in %i minutes: %s", (minutes, words) => {
    expect(waitUntilWords(until(minutes), now, "UTC")).toBe(words);
  });

  it("says the day once it is further off, and nothing where no end is known", () => {
    expect(waitUntilWords(until(15 * 60), now, "UTC")).toMatch(/5 Mar, 14:30/);
    expect(waitUntilWords({ ...until(1), until: undefined }, now, "UTC")).toBe("");
  });
});
