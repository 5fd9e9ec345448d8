import { describe, expect, it } from "vitest";
import type { Entry } from "../../book/entry/index.ts";
import { heatOf, restedHours } from "./engine-now.ts";

const entry = (more: Partial<Entry>): Entry => ({
  id: "one",
  jobId: "job",
  seq: 1,
  at: "2026-05-04T08:00:00.000Z",
  by: "Tobin Askel",
  stage: "find",
  kind: "reading",
  item: "coolant sensor",
  value: 96,
  unit: "°C",
  ...more,
});

describe("how long an engine has stood, as the book knows it", () => {
  it("is the time since the last hot reading", () => {
    expect(restedHours([entry({})], "2026-05-04T10:30:00.000Z")).toBeCloseTo(2.5);
  });

  it("is nothing where the last hot reading is long ago, cold, struck or never was", () => {
    expect(restedHours([entry({})], "2026-05-04T14:00:00.000Z")).toBeUndefined();
    expect(restedHours([entry({ value: 31 })], "2026-05-04T08:30:00.000Z")).toBeUndefined();
    expect(restedHours([], "2026-05-04T08:30:00.000Z")).toBeUndefined();
    const struck = [entry({}), entry({ id: "two", seq: 2, kind: "note", corrects: "one", value: undefined })];
    expect(restedHours(struck, "2026-05-04T08:30:00.000Z")).toBeUndefined();
  });

  it("is nothing where the clock of the book runs ahead", () => {
    expect(restedHours([entry({})], "2026-05-04T07:00:00.000Z")).toBeUndefined();
  });

  it("counts from when a reading was first written, not from its correction", () => {
    const corrected = [
      entry({}),
      entry({ id: "two", seq: 2, at: "2026-05-04T13:00:00.000Z", corrects: "one", value: 91 }),
    ];
    expect(heatOf(corrected, "2026-05-04T13:30:00.000Z")).toBe("hot");
    expect(heatOf(corrected, "2026-05-04T15:00:00.000Z")).toBe("cold");
  });
});
