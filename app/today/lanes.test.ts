import { describe, expect, it } from "vitest";
import type { DaySlip } from "../../core/stages/day/index.ts";
import { hoursBetween, lanesOf, placeOf, shortPlate } from "./lanes.ts";

const at = (clock: string) => `2031-03-04T${clock}:00.000Z`;
const slip = (
  jobId: string,
  piece: string,
  from: string,
  until: string,
  given: Partial<DaySlip> = {},
): DaySlip => ({
  jobId,
  piece,
  people: ["tobin"],
  from: at(from),
  until: at(until),
  ...given,
});
const GIVEN = {
  people: [
    { id: "tobin", name: "Tobin Askel" },
    { id: "ilse", name: "Ilse Vantry" },
  ],
  lifts: 2,
  cars: [
    { id: "a", name: "MRW 1347" },
    { id: "b", name: "MRW 2417" },
  ],
  pieceOf: () => undefined,
};
const stays = (way: "people" | "lifts" | "cars", slips: DaySlip[], given = {}) =>
  lanesOf(way, slips, { ...GIVEN, ...given }).map(({ name, stays: own }) => [
    name,
    own.map(({ slips: each }) => each.length),
  ]);

describe("the lanes of a day", () => {
  it("take pieces of one car that follow each other as one stay, and two people's piece for each of them", () => {
    const slips = [
      slip("a", "strip", "08:00", "08:30"),
      slip("a", "off", "08:30", "08:45", { people: ["tobin", "ilse"] }),
      slip("a", "later", "11:00", "11:30"),
      slip("b", "find", "08:45", "09:00"),
    ];
    expect(stays("people", slips)).toEqual([
      ["Tobin Askel", [2, 1, 1]],
      ["Ilse Vantry", [1]],
    ]);
    expect(stays("cars", slips)).toEqual([
      ["MRW 1347", [2, 1]],
      ["MRW 2417", [1]],
    ]);
  });

  it("keep a car on its lift between two pieces, and lay what is on at once below each other", () => {
    const slips = [
      slip("a", "strip", "08:00", "08:30", { lift: 2 }),
      slip("a", "build", "10:00", "10:30", { lift: 2 }),
      slip("b", "find", "08:00", "09:00"),
      slip("c", "find", "08:30", "09:00", { people: ["ilse"] }),
    ];
    expect(stays("lifts", slips)).toEqual([
      ["Lift 1", []],
      ["Lift 2", [2]],
      ["On the floor", [1, 1]],
    ]);
    expect(lanesOf("lifts", slips, GIVEN)[2]?.stays.map(({ level }) => level)).toEqual([0, 1]);
  });

  it("draw what passes by itself once, behind the piece that began it", () => {
    const drain = slip("a", "drain", "08:00", "08:05", { people: ["ilse", "tobin"] });
    const pieceOf = () => ({
      id: "drain",
      stage: "strip" as const,
      what: "Drain it",
      minutes: 5,
      people: 1 as const,
      after: [],
      rest: { minutes: 15, words: "it drains" },
    });
    const lanes = lanesOf("people", [drain], { ...GIVEN, pieceOf });
    expect(lanes.map(({ rests }) => rests.map(({ until }) => until))).toEqual([[], [at("08:20")]]);
  });
});

describe("where things lie on the sheet", () => {
  it("calls a plate by its figures, unless another car has the same", () => {
    expect(shortPlate("MRW 1347", ["MRW 1347", "MRW 2417"])).toBe("1347");
    expect(shortPlate("MRW 1347", ["MRW 1347", "PLL 1347"])).toBe("MRW 1347");
    expect(shortPlate("FERRY", ["FERRY"])).toBe("FERRY");
  });

  it("rules every full hour, and puts nothing beyond an end", () => {
    const [from, until] = [Date.parse(at("07:30")), Date.parse(at("10:00"))];
    expect(hoursBetween(from, until).map((ms) => new Date(ms).toISOString().slice(11, 13))).toEqual([
      "08",
      "09",
      "10",
    ]);
    expect([at("06:00"), at("08:45"), at("12:00")].map((iso) => placeOf(iso, from, until))).toEqual([
      0, 50, 100,
    ]);
  });
});
