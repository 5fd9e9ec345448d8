import { describe, expect, it } from "vitest";
import { thinTrace } from "./thin.ts";

const trace = (rows: number) => ({
  s: Float64Array.from({ length: rows }, (_, row) => row),
  coolantC: Float64Array.from({ length: rows }, (_, row) => 20 + row),
  rpm: Float64Array.from({ length: rows }, (_, row) => (row === 0 ? Number.NaN : 800)),
  marks: [],
});

describe("thinTrace", () => {
  it.each([1, 2, 99, 100, 101, 199, 200, 1000, 1001])("keeps %i rows within the points asked for", (rows) => {
    const points = thinTrace(trace(rows), 100);
    expect(points.length).toBeLessThanOrEqual(100);
    expect(points.length).toBeGreaterThan(Math.min(rows, 100) / 2 - 1);
    expect(points[0]?.s).toBe(0);
    expect(points.every(({ coolantC }) => Number.isFinite(coolantC))).toBe(true);
  });

  it("gives every row's coolant its part, the last odd ones too", () => {
    expect(thinTrace(trace(5), 3).map(({ coolantC }) => coolantC)).toEqual([20.5, 22.5, 24]);
  });

  it("leaves out revs that nobody logged", () => {
    expect(thinTrace(trace(3), 3).map(({ rpm }) => rpm)).toEqual([undefined, 800, 800]);
  });
});
