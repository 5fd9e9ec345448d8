import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { format, formatBothTemperatures, fromShown, toShown } from "./format.ts";
import { parseQuantity } from "./parse-quantity.ts";
import { type Dimension } from "./units.ts";

describe("parseQuantity", () => {
  it.each([
    // Reference values: NIST SP 811, appendix B.
    ["5.2 qt", 4.9210353, "volume"],
    ["1 gal", 3.785411784, "volume"],
    ["1 imp. gal", 4.54609, "volume"],
    ["250ml", 0.25, "volume"],
    ["16 psi", 110.316117, "pressure"],
    ["1,1 bar", 110, "pressure"],
    ["212 °F", 100, "temperature"],
    ["-40f", -40, "temperature"],
    ["0.875 in", 22.225, "length"],
    ["22 lb·ft", 29.8279949, "torque"],
    ["184 220 km", 184220, "distance"],
    ["100 mi", 160.9344, "distance"],
    ["50%", 0.5, "fraction"],
  ] as const)("reads %s", (text, value, dimension) => {
    const quantity = parseQuantity(text);
    expect(quantity.dimension).toBe(dimension);
    expect(quantity.value).toBeCloseTo(value, 6);
  });

  it.each(["", "litres", "5.2", "5.2 buckets", "5.2.1 L", "--4 L"])("refuses %j with a sentence", (text) => {
    expect(() => parseQuantity(text)).toThrow(RangeError);
  });

  it("refuses a temperature below absolute zero and an ambiguous distance", () => {
    expect(() => parseQuantity("-300 °C")).toThrow(/absolute zero/);
    expect(() => parseQuantity("184,220 km")).toThrow(/without the comma/);
  });

  it("either answers with a finite figure or throws RangeError, whatever is typed", () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        try {
          expect(Number.isFinite(parseQuantity(text).value)).toBe(true);
        } catch (error) {
          expect(error).toBeInstanceOf(RangeError);
        }
      }),
    );
  });
});

describe("format", () => {
  it("shows each system's own unit", () => {
    expect(format(5.2, "volume", "metric")).toBe("5.2\u00a0L");
    expect(format(4.9210353, "volume", "us")).toBe("5.2\u00a0qt");
    expect(format(184220, "distance", "metric")).toBe("184\u202f220\u00a0km");
    expect(format(-37, "temperature", "metric")).toBe("\u221237\u00a0°C");
    expect(formatBothTemperatures(92, "metric")).toBe("92\u00a0°C (198\u00a0°F)");
  });

  it("never shows NaN", () => {
    expect(() => format(Number.NaN, "volume", "metric")).toThrow(RangeError);
  });

  it("comes back to the same value from either system", () => {
    const dimensions: Dimension[] = ["temperature", "volume", "pressure", "length", "torque", "distance"];
    fc.assert(
      fc.property(
        fc.constantFrom(...dimensions),
        fc.double({ min: -200, max: 1e6, noNaN: true }),
        (dimension, value) => {
          for (const system of ["metric", "us"] as const) {
            expect(fromShown(toShown(value, dimension, system), dimension, system)).toBeCloseTo(value, 6);
          }
        },
      ),
    );
  });
});
