import { describe, expect, it } from "vitest";
import type { Entry } from "../book/entry/index.ts";
import { Distance, dataOf } from "../book/facts/index.ts";
import { fallenDistance } from "./known-distances.ts";

const read = (id: string, value: number, at: string): Entry => ({
  ...{ id, jobId: "j", seq: 1, by: "p", stage: "ask", kind: "reading", item: "distance", unit: "km" },
  ...{ value, at: `2026-11-29T${at}:00.000Z`, data: dataOf(Distance, {}) },
});
const car = { vehicle: { distanceKm: 72_480 }, ranBeforeKm: 40_000 };
const words = (entries: Entry[], km: number, corrects?: string) =>
  fallenDistance(entries, car, { km, corrects }, "metric")?.words;

describe("a distance read on a job", () => {
  it("stands beside what the car had run", () => {
    expect(words([], 72_000)).toMatch(/72\u202f480/);
    expect(words([], 72_490)).toBeUndefined();
    expect(
      fallenDistance([], { vehicle: { distanceKm: null }, ranBeforeKm: null }, { km: 3 }, "us"),
    ).toBeUndefined();
  });

  it("that puts another right isn't held to that one, and still to what the car had run before", () => {
    const entries = [read("a", 72_480, "09:00")];
    expect(words(entries, 72_080, "a")).toBeUndefined();
    expect(words(entries, 12, "a")).toMatch(/40\u202f000/);
  });

  it("that puts an earlier one right stays below what was read at hand-over", () => {
    const entries = [read("a", 72_480, "09:00"), read("b", 72_500, "16:00")];
    expect(words(entries, 72_900, "a")).toMatch(/Later it had run only 72\u202f500/);
    expect(words(entries, 72_490, "a")).toBeUndefined();
    expect(words(entries, 72_300, "b")).toMatch(/72\u202f480.*already/);
  });
});
