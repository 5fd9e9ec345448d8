import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { clearance, touchesFirst } from "./clearance.ts";
import { compareUnits } from "./compare-units.ts";
import { sideFromSeat } from "./side-from-seat.ts";
import { type Unit } from "./unit.ts";

describe("sideFromSeat", () => {
  it("says the driver's side by where the wheel is, and back", () => {
    expect(sideFromSeat("driver", "left")).toBe("left");
    expect(sideFromSeat("passenger", "left")).toBe("right");
    expect(sideFromSeat("driver", "right")).toBe("right");
    for (const steering of ["left", "right"] as const)
      for (const side of ["driver", "passenger"] as const)
        expect(sideFromSeat(sideFromSeat(side, steering), steering)).toBe(side);
  });

  it("refuses other words", () => {
    expect(() => sideFromSeat("near" as "driver", "left")).toThrow(RangeError);
    expect(() => sideFromSeat("driver", "both" as "left")).toThrow(RangeError);
  });
});

describe("clearance", () => {
  const parts = [
    { name: "radiator", mm: 40, plusMinusMm: 1 },
    { name: "fan", mm: 85, plusMinusMm: 2 },
  ];

  it("is what is left, at worst and by the root of the squares", () => {
    // 150 − 125 = 25; at worst 25 − (1 + 2 + 2); √(1 + 4 + 4) = 3
    expect(clearance({ parts, spaceMm: { mm: 150, plusMinusMm: 2 } })).toEqual({
      gapMm: 25,
      worstMm: 20,
      rssMm: 22,
    });
  });

  it("is never better at worst than by the squares, nor those better than named", () => {
    const length = fc.double({ min: 1, max: 200, noNaN: true });
    const part = fc.record({
      name: fc.string(),
      mm: length,
      plusMinusMm: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(part, { maxLength: 6 }), length, (some, mm) => {
        const { gapMm, rssMm, worstMm } = clearance({ parts: some, spaceMm: { mm, plusMinusMm: 1 } });
        expect(worstMm).toBeLessThanOrEqual(rssMm + 1e-9);
        expect(rssMm).toBeLessThanOrEqual(gapMm);
      }),
    );
  });

  it("names what touches first", () => {
    const places = [
      { name: "belt", parts, spaceMm: { mm: 130, plusMinusMm: 2 } },
      { name: "skid plate", parts: [], spaceMm: { mm: 12, plusMinusMm: 9 } },
    ];
    expect(touchesFirst(places)).toMatchObject({ name: "belt", worstMm: 0 });
    expect(touchesFirst([])).toBeUndefined();
  });

  it("refuses a tolerance bigger than the part, and a space of less than nothing", () => {
    expect(() =>
      clearance({ parts: [{ name: "fan", mm: 3, plusMinusMm: 4 }], spaceMm: { mm: 9, plusMinusMm: 0 } }),
    ).toThrow(RangeError);
    expect(() => clearance({ parts: [], spaceMm: { mm: -1, plusMinusMm: 0 } })).toThrow(RangeError);
  });
});

describe("compareUnits", () => {
  const OLD: Unit = {
    widthMm: 700,
    heightMm: 420,
    depthMm: 45,
    coreThicknessMm: 26,
    necks: [
      { feeds: "engine outlet", side: "left", heightMm: 380, diameterMm: 34 },
      { feeds: "engine inlet", side: "right", heightMm: 60, diameterMm: 34 },
    ],
    pegs: { bottom: 2, bottomApartMm: 610, top: 2, topApartMm: 610, bushes: true },
    oilCooler: "internal",
    plug: "two-pin, grey",
    blades: { count: 7, pulls: true },
  };
  const verdicts = (made: Unit, space = {}) =>
    Object.fromEntries(compareUnits(OLD, made, space).map(({ what, verdict }) => [what, verdict]));

  it("finds a unit to be the same as itself, whatever it is", () => {
    expect(new Set(Object.values(verdicts(OLD)))).toEqual(new Set(["same"]));
    expect(compareUnits(OLD, OLD).every(({ remedy, extraMinutes }) => !remedy && extraMinutes === 0)).toBe(
      true,
    );
  });

  it("of a slim fan that blows the other way says so, and of its plug what to do", () => {
    const said = compareUnits(OLD, { ...OLD, plug: "three-pin", blades: { count: 11, pulls: false } });
    expect(said.find(({ what }) => what === "blades")).toMatchObject({
      verdict: "stop",
      remedy: expect.stringMatching(/other way/),
    });
    expect(said.find(({ what }) => what === "plug")).toMatchObject({
      verdict: "adapt",
      part: "adapter lead",
      extraMinutes: 30,
    });
  });

  it("of a thick all-metal radiator says what it touches, and what moves back", () => {
    const thick = { ...OLD, depthMm: 72, coreThicknessMm: 56 };
    const space = {
      depthMm: { mm: 150, plusMinusMm: 3 },
      behind: [{ name: "fan", mm: 80, plusMinusMm: 2 }],
      behindName: "the belt",
    };
    const said = compareUnits(OLD, thick, space);
    // 150 − 72 − 80 is 2 mm short of nothing, and 6 mm more at worst.
    expect(said.find(({ what }) => what === "depth before the belt")).toMatchObject({
      verdict: "stop",
      remedy: expect.stringMatching(/8 mm too deep at worst/),
    });
    expect(said.find(({ what }) => what === "core thickness")).toMatchObject({
      verdict: "adapt",
      part: "longer bolts",
    });
    expect(verdicts(OLD, space)["depth before the belt"]).toBe("same");
  });

  it.each<[string, Unit, string, string]>([
    [
      "a neck on the other side",
      {
        ...OLD,
        necks: [
          { feeds: "engine outlet", side: "right", heightMm: 380, diameterMm: 34 },
          ...(OLD.necks?.slice(1) ?? []),
        ],
      },
      "neck that feeds the engine outlet",
      "stop",
    ],
    [
      "a neck that isn't there",
      { ...OLD, necks: OLD.necks?.slice(1) ?? [], areNecksAll: true },
      "neck that feeds the engine outlet",
      "stop",
    ],
    [
      "a neck that every unit has and nobody wrote down",
      { ...OLD, necks: OLD.necks?.slice(1) ?? [] },
      "neck that feeds the engine outlet",
      "not-seen",
    ],
    [
      "one neck more",
      { ...OLD, necks: [...(OLD.necks ?? []), { feeds: "heater", side: "left" }] },
      "neck that feeds the heater",
      "adapt",
    ],
    [
      "necks nobody looked at",
      { ...OLD, necks: undefined as unknown as [] },
      "neck that feeds the engine outlet",
      "not-seen",
    ],
    [
      "a wider neck",
      {
        ...OLD,
        necks: [
          { feeds: "engine outlet", side: "left", heightMm: 380, diameterMm: 38 },
          ...(OLD.necks?.slice(1) ?? []),
        ],
      },
      "neck that feeds the engine outlet",
      "adapt",
    ],
    [
      "pegs without rubber",
      { ...OLD, pegs: { bottom: 2, bottomApartMm: 610, top: 2, topApartMm: 610, bushes: false } },
      "pegs",
      "adapt",
    ],
    [
      "pegs that stand off",
      { ...OLD, pegs: { bottom: 2, bottomApartMm: 625, top: 2, topApartMm: 610, bushes: true } },
      "pegs",
      "stop",
    ],
    ["one peg", { ...OLD, pegs: { bottom: 1, top: 2, bushes: true } }, "pegs", "stop"],
    ["no oil cooler where the car has one", { ...OLD, oilCooler: "none" }, "oil cooler", "stop"],
    ["a smaller one, which lets air round it", { ...OLD, heightMm: 400 }, "overall height", "adapt"],
  ])("%s", (_, made, what, verdict) => expect(verdicts(made)[what]).toBe(verdict));

  it("says which of them to measure, and nothing of what neither has", () => {
    const said = compareUnits({ widthMm: 700 }, { heightMm: 400 });
    expect(said.map(({ what, verdict }) => [what, verdict])).toEqual([
      ["overall width", "not-seen"],
      ["overall height", "not-seen"],
    ]);
    expect(said[0]?.remedy).toMatch(/on the new one/);
    expect(compareUnits({}, {})).toEqual([]);
  });

  it("never calls the same what was measured in part", () => {
    const necks = [{ feeds: "engine outlet" as const, side: "left" as const }];
    const said = (old: Unit, made: Unit) => compareUnits(old, made).map(({ verdict }) => verdict);
    expect(said({ necks }, { necks })).toEqual(["not-seen"]);
    expect(said({ pegs: { bottom: 2, top: 2 } }, { pegs: { bottom: 2, top: 2, bushes: true } })).toEqual([
      "not-seen",
    ]);
    expect(said({ blades: { pulls: true } }, { blades: { pulls: true } })).toEqual(["not-seen"]);
    expect(said({ blades: { pulls: true } }, { blades: { pulls: false } })).toEqual(["stop"]);
    const nan = [
      { feeds: "engine outlet" as const, side: "left" as const, diameterMm: Number.NaN, heightMm: 9 },
    ];
    expect(() => compareUnits({ necks: nan }, { necks: nan })).toThrow(RangeError);
  });

  it("refuses a length that is none", () => {
    expect(() => compareUnits({ widthMm: -3 }, {})).toThrow(/widthMm/);
  });
});
