import { describe, expect, it } from "vitest";
import { BOLT_CLASSES, generalTorque, TORQUE_THREADS_MM } from "./torque.ts";

/** VDI 2230, table A1, friction 0.12, N·m. */
const PUBLISHED: [diameterMm: number, eight: number, ten: number][] = [
  [4, 3.0, 4.4],
  [5, 5.9, 8.6],
  [6, 10.1, 14.9],
  [8, 24.6, 36.1],
  [10, 48, 71],
  [12, 84, 123],
];
const nmOf = (
  diameterMm: number,
  strength: "8.8" | "10.9" | "4.6",
  into: "steel" | "aluminium" = "steel",
) => {
  const found = generalTorque({ diameterMm, strength, into });
  if (!("nm" in found)) throw new Error("no figure");
  return found.nm;
};

describe("a general tightening torque", () => {
  it.each(PUBLISHED)("of M%s is the published one within 5 %%", (diameterMm, eight, ten) => {
    expect(Math.abs(nmOf(diameterMm, "8.8") / eight - 1)).toBeLessThan(0.05);
    expect(Math.abs(nmOf(diameterMm, "10.9") / ten - 1)).toBeLessThan(0.05);
  });

  it("grows with thread and class, and is lower into aluminium", () => {
    for (const strength of BOLT_CLASSES)
      TORQUE_THREADS_MM.reduce((before, diameterMm) => {
        const nm = nmOf(diameterMm, strength);
        expect(nm).toBeGreaterThan(before);
        expect(nmOf(diameterMm, strength, "aluminium")).toBeLessThan(nm);
        return nm;
      }, 0);
    expect(nmOf(6, "4.6")).toBeLessThan(nmOf(6, "8.8"));
  });

  it("is none into plastic, and none for a thread it doesn't know", () => {
    expect(generalTorque({ diameterMm: 6, strength: "8.8", into: "plastic" })).toEqual({ snugOnly: true });
    expect(() => generalTorque({ diameterMm: 7, strength: "8.8", into: "steel" })).toThrow(RangeError);
    expect(() => generalTorque({ diameterMm: Number.NaN, strength: "8.8", into: "steel" })).toThrow(
      RangeError,
    );
  });
});
