import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { clockAt } from "./clock.ts";
import { plainName, readHeader } from "./columns.ts";
import { Curve, fitHinge } from "./curve.ts";
import { readTrace } from "./read-trace.ts";

describe("a header's names", () => {
  it.each([
    ["coolant", "Engine Coolant Temperature (F)", "F"],
    ["coolant", "ECT degC", "C"],
    ["coolant", "Kühlmittel [°C]", "C"],
    ["coolant", "Temp. liquide de refroidissement (°C)", "C"],
    ["coolant", "temperatura refrigerante °C", "C"],
    ["coolant", "koelvloeistof", undefined],
    ["coolant", "CLT", undefined],
    ["intake", "Intake Air Temp (F)", "F"],
    ["intake", "Ansaugluft [°C]", "C"],
    ["intake", "IAT degC", "C"],
    ["rpm", "engine_rpm", undefined],
    ["rpm", "Drehzahl [1/min]", undefined],
    ["rpm", "Régime moteur", undefined],
    ["radiatorOut", "radiator outlet C", "C"],
    ["mark", "Bemerkung", undefined],
  ] as const)("%s is what “%s” holds", (role, name, unit) => {
    const found = readHeader(["time_s", name]).find((column) => column.index === 1);
    expect(found).toMatchObject({ role, index: 1, name });
    expect(found?.unit).toBe(unit);
  });

  it.each([
    ["time_s", "s"],
    ["elapsed (ms)", "ms"],
    ["Zeit", undefined],
    ["Time [min]", "min"],
  ] as const)("time is in the unit that “%s” names", (name, unit) => {
    expect(readHeader([name, "coolant"])[0]).toMatchObject({ role: "time", timeUnit: unit });
  });

  it("take a lone temperature for the coolant, and never the oil's", () => {
    expect(readHeader(["time", "temp"]).find(({ role }) => role === "coolant")?.index).toBe(1);
    expect(readHeader(["time", "oil temp"]).some(({ role }) => role === "coolant")).toBe(false);
  });

  it("read the same with and without accents", () => {
    expect(plainName("Kühl_Mittel.Temp ")).toBe("kuhl mittel temp");
  });
});

describe("a cell's clock", () => {
  it.each([
    ["09:12:30", 33_150],
    ["9:12", 33_120],
    ["00:00:01,250", 1.25],
    ["12:30:00 am", 1800],
    ["1:00 PM", 46_800],
    ["2031-03-04T09:12:30.000Z", 33_150],
    ["04.03.2031 09:12:30", 33_150],
  ])("%s is %d seconds into the day", (text, seconds) => {
    expect(clockAt(text)?.secondOfDay).toBeCloseTo(seconds, 6);
  });

  it("counts days where the date is written in order, and is none in a plain figure", () => {
    const days = ["2031-03-04T00:00:00", "2031-03-05T00:00:00"].map((text) => clockAt(text)?.day ?? 0);
    expect((days[1] ?? 0) - (days[0] ?? 0)).toBe(1);
    expect(clockAt("123.4")).toBeUndefined();
  });
});

describe("a curve's sums", () => {
  const points = fc.array(fc.double({ min: -40, max: 140, noNaN: true }), { minLength: 5, maxLength: 120 });

  it("give the mean of any stretch", () => {
    fc.assert(
      fc.property(points, fc.nat(), fc.nat(), (figures, a, b) => {
        const [from, to] = [a % figures.length, b % figures.length].sort((x, y) => x - y) as [number, number];
        const stretch = figures.slice(from, Math.max(to, from + 1));
        const mean = stretch.reduce((sum, figure) => sum + figure, 0) / stretch.length;
        expect(new Curve(Float64Array.from(figures)).mean(from, to)).toBeCloseTo(mean, 6);
      }),
    );
  });

  it("give the slope of a straight line exactly, and leave no residual", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.integer({ min: 3, max: 200 }),
        (slope, length) => {
          const line = new Curve(Float64Array.from({ length }, (_, i) => 20 + slope * i)).line(0, length);
          expect(line.slope).toBeCloseTo(slope, 6);
          expect(line.at(0)).toBeCloseTo(20, 4);
          expect(line.residual).toBeLessThan(1e-3);
        },
      ),
    );
  });

  it("find the bend of two straight lines where they cross", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 60, max: 240 }),
        fc.double({ min: 0.05, max: 0.2, noNaN: true }),
        (bend, climb) => {
          const curve = new Curve(
            Float64Array.from(
              { length: 300 },
              (_, i) => 20 + climb * Math.min(i, bend) + 0.01 * Math.max(0, i - bend),
            ),
          );
          const hinge = fitHinge(curve, 0, 300);
          expect(Math.abs((hinge?.at ?? 0) - bend)).toBeLessThan(2);
          expect(hinge?.before).toBeGreaterThan(hinge?.after ?? 1);
        },
      ),
    );
  });

  it("have no bend to find in too short a stretch", () => {
    expect(fitHinge(new Curve(new Float64Array(20)), 0, 20)).toBeUndefined();
  });
});

describe("a whole log in another shape", () => {
  const rows = Array.from({ length: 40 }, (_, s) => ({ s, c: 20 + s }));
  const read = (header: string, row: (each: { s: number; c: number }) => string) =>
    readTrace(`${header}\n${rows.map(row).join("\n")}\n`).trace;

  it.each([
    ["time_s,coolant_C", (s: number, c: number) => `${s},${c}`],
    ["Zeit;Kühlmittel [°C]", (s: number, c: number) => `00:00:${String(s).padStart(2, "0")},0;${c},0`],
    ["elapsed (ms)\tECT degC", (s: number, c: number) => `${s * 1000}\t${c}`],
    [
      "Timestamp,Engine Coolant Temperature (F)",
      (s: number, c: number) =>
        `2031-03-04T09:12:${String(s).padStart(2, "0")}.000,${(c * 1.8 + 32).toFixed(1)}`,
    ],
    ["minutes,coolant C", (s: number, c: number) => `${s / 60},${c}`],
    ['"time, s","coolant, °C"', (s: number, c: number) => `"${s}","${c}"`],
  ])("%s", (header, row) => {
    const trace = read(header, ({ s, c }) => row(s, c));
    expect(trace?.s.length).toBe(40);
    expect(trace?.s[39]).toBeCloseTo(39, 3);
    expect(trace?.coolantC[39]).toBeCloseTo(59, 1);
  });
});
