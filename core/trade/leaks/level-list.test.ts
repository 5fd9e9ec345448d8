import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { LEVEL_COLUMNS, readLevelList } from "./level-list.ts";

const around = {
  system: "metric",
  timeZone: "Europe/Berlin",
  now: new Date("2026-11-26T12:00:00Z"),
} as const;
const read = (rows: string[][], more: Partial<Parameters<typeof readLevelList>[1]> = {}) =>
  readLevelList(rows, { ...around, ...more });
const levelOf = (head: string[], row: string[], more = {}) => {
  const found = read([head, row], more);
  return "levels" in found ? found.levels[0] : found.troubles;
};
const one = (at: string) => levelOf(["at", "missing_L"], [at, "0.4"]);

describe("a list of levels", () => {
  it.each([
    ["2026-05-04T07:30:00.000Z", "2026-05-04T07:30:00.000Z"],
    ["2026-05-04 07:30", "2026-05-04T05:30:00.000Z"],
    ["2026-01-04 07:30", "2026-01-04T06:30:00.000Z"],
    ["2026-05-04", "2026-05-04T10:00:00.000Z"],
    ["2026-05-04T07:30+05:30", "2026-05-04T02:00:00.000Z"],
    ["2026-05-04 07:30 Z", "2026-05-04T07:30:00.000Z"],
    // The night on which the clock is put forward has no half past two.
    ["2026-03-29 02:30", "2026-03-29T01:30:00.000Z"],
  ])("%s is %s in Berlin", (text, at) => expect(one(text)).toMatchObject({ at }));

  it.each([
    "",
    "yesterday",
    "04/05/2026",
    "4.5.2026",
    "2026-02-30",
    "2026-13-01",
    "2026-05-04 24:10",
    "2026-05-04T07:61",
    "2026-05-04Z",
    "0026-05-04",
    "1989-12-31",
    "2026-11-27",
    "9999-12-31",
    "46147",
  ])("takes “%s” for no day", (text) =>
    expect(one(text)).toEqual([{ line: 2, column: "at", words: expect.stringMatching(/day|1990/) }]),
  );

  it.each([
    [
      ["at", "missing_L", "distance_km"],
      ["2026-05-04", "0,4", "184220"],
      {},
      { missingL: 0.4, distanceKm: 184_220 },
    ],
    [
      ["Date", "Below the line", "Odometer"],
      ["2026-05-04", "0.4", "184 220"],
      {},
      { missingL: 0.4, distanceKm: 184_220 },
    ],
    [
      ["Date", "Missing (qt)", "distance (mi)"],
      ["2026-05-04", "1", "1000"],
      {},
      { missingL: 0.946352946, distanceKm: 1609.344 },
    ],
    [["when", "missing"], ["2026-05-04", "1"], { system: "us" }, { missingL: 0.946352946 }],
    [["when", "missing_L"], ["2026-05-04", "1"], { system: "us" }, { missingL: 1 }],
    [["when", "missing"], ["2026-05-04", "0.5 qt"], {}, { missingL: 0.473176473 }],
    [["at", "missing_L", "engine"], ["2026-05-04", "-0.2", " Hot "], {}, { missingL: -0.2, heat: "hot" }],
    [
      ["at", "missing_L", "told", "by"],
      ["2026-05-04", "0", "", "Ilse  Vantry"],
      {},
      { told: null, takenBy: "Ilse Vantry" },
    ],
  ] as const)("%j: %j", (head, row, more, level) => {
    const found = levelOf([...head], [...row], more) as unknown as Record<string, unknown>;
    for (const [key, value] of Object.entries(level))
      expect(found[key]).toEqual(typeof value === "number" ? expect.closeTo(value, 6) : value);
  });

  it.each([
    [["at", "missing_L"], ["2026-05-04", ""], "missing"],
    [["at", "missing_L"], ["2026-05-04", "-9"], "missing"],
    [["at", "missing_L"], ["2026-05-04", "1e9"], "missing"],
    [["at", "missing_L"], ["2026-05-04", "50 °C"], "missing"],
    [["at", "missing_L", "topped_up_L"], ["2026-05-04", "1", "-1"], "topped up"],
    [["at", "missing_L", "distance_km"], ["2026-05-04", "1", "far"], "distance"],
    [["at", "missing_L", "distance_km"], ["2026-05-04", "1", "201.168"], "distance"],
    [["at", "missing_L", "odometer"], ["2026-05-04", "1", "184,220 km"], "distance"],
    [["at", "missing_L", "distance_km"], ["2026-05-04", "1", "-5"], "distance"],
    [["at", "missing_L", "engine"], ["2026-05-04", "1", "warm"], "engine"],
    [["at", "missing_L", "told"], ["2026-05-04", "1", "x".repeat(121)], "told"],
  ])("%j: %j is refused beside its column", (head, row, column) =>
    expect(levelOf(head, row)).toMatchObject([{ line: 2, column }]),
  );

  it("is taken by the day, whole or not at all", () => {
    const rows = [["at", "missing_L"], ["2026-05-09", "0.2"], [""], ["2026-05-04", "0.1"]];
    expect(read(rows)).toMatchObject({ levels: [{ line: 4 }, { line: 2 }], leftOut: [] });
    expect(read([...rows, ["then", "0.3"]])).toMatchObject({ troubles: [{ line: 5 }] });
  });

  it.each([
    [[["missing_L"], ["1"]], /at is missing/],
    [
      [
        ["at", "day", "missing"],
        ["2026-05-04", "2026-05-04", "1"],
      ],
      /at is there twice/,
    ],
    [
      [
        ["constructor", "toString"],
        ["a", "b"],
      ],
      /at, missing is missing/,
    ],
    [[["at", "missing"]], /no row/],
    [[], /at, missing is missing/],
    [[Array.from({ length: 300 }, () => "x")], /more than 250 columns/],
  ])("%j: %s", (rows, words) => {
    const found = read(rows as string[][]);
    expect("troubles" in found && found.troubles[0]?.words).toMatch(words);
  });

  it("as it goes out comes in again, without what was struck", () => {
    const row = ["2026-05-04T07:30:00.000Z", "0.4", "0.1", "5000", "cold", "Ilse Vantry", "owner", ""];
    const struck = [...row.slice(0, -1), "yes"];
    expect(read([[...LEVEL_COLUMNS], row, struck])).toMatchObject({
      levels: [{ at: row[0], missingL: 0.4, toppedUpL: 0.1, distanceKm: 5000, told: "owner" }],
      struck: 1,
      leftOut: [],
    });
  });

  it("of anything at all is read or refused, never thrown at", () => {
    const cell = fc.oneof(
      fc.string(),
      fc.constantFrom(...LEVEL_COLUMNS, "2026-05-04", "1", "-", "__proto__"),
    );
    fc.assert(
      fc.property(fc.array(fc.array(cell, { maxLength: 9 }), { maxLength: 6 }), (rows) => {
        const found = read(rows);
        expect("levels" in found).not.toBe("troubles" in found);
      }),
    );
  });
});
