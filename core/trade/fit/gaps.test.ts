import { describe, expect, it } from "vitest";
import { nearest } from "./compare-depth.ts";
import { compareUnits } from "./compare-units.ts";
import { type Unit } from "./unit.ts";

describe("what a unit touches first", () => {
  it("is the charge pipes, the skid plate or the belt, by what was measured", () => {
    const old = { depthMm: 40 };
    const made = { depthMm: 68, heightMm: 400 };
    const space = {
      depthMm: { mm: 150, plusMinusMm: 2 },
      behind: [{ name: "fan", mm: 60, plusMinusMm: 2 }],
      behindName: "the belt",
      heightMm: { mm: 420, plusMinusMm: 2 },
      free: [{ name: "the charge pipes", mm: 30, plusMinusMm: 2 }],
    };
    // 30 free less 28 more depth less 2 of reading and 1 of the part.
    expect(nearest(old, made, space)).toMatchObject({ name: "the charge pipes", gapMm: 2, worstMm: -1 });
    expect(nearest(old, made, { ...space, free: [] })).toMatchObject({
      name: "the belt",
      gapMm: 22,
      worstMm: 17,
    });
    expect(nearest(old, made, { heightMm: space.heightMm })).toMatchObject({
      name: "the skid plate",
      worstMm: 17,
    });
    expect(nearest({}, made, { free: space.free })).toBeUndefined();
    const lines = compareUnits(old, made, space);
    expect(lines.find(({ what }) => what === "gap to the charge pipes")).toMatchObject({ verdict: "stop" });
    expect(compareUnits(old, { depthMm: 60 }, { free: space.free }).at(0)).toMatchObject({
      verdict: "adapt",
    });
    expect(compareUnits(old, { depthMm: 75 }, { free: space.free }).at(0)).toMatchObject({ verdict: "stop" });
    expect(
      compareUnits({}, made, { free: space.free }).find(({ what }) => what.startsWith("gap")),
    ).toMatchObject({
      verdict: "not-seen",
    });
    expect(
      compareUnits(old, old, { free: [{ name: "the fan in its shroud", mm: 6, plusMinusMm: 1 }] }),
    ).toMatchObject([{ verdict: "same" }]);
  });
});

describe("what holds it, threaded", () => {
  it.each([
    ["brackets", { bracketsApartMm: 600 }, { bracketsApartMm: 601 }, "same"],
    ["brackets", { bracketsApartMm: 600 }, { bracketsApartMm: 605 }, "adapt"],
    ["brackets", { bracketsApartMm: 600 }, { bracketsApartMm: 610 }, "stop"],
    [
      "fan and shroud mounts",
      { mounts: { apartMm: 500, threadMm: 6, depthMm: 16 } },
      { mounts: { apartMm: 500, threadMm: 6, depthMm: 12 } },
      "adapt",
    ],
    [
      "fan and shroud mounts",
      { mounts: { apartMm: 500, threadMm: 6, depthMm: 12 } },
      { mounts: { apartMm: 500, threadMm: 6, depthMm: 16 } },
      "same",
    ],
    [
      "fan and shroud mounts",
      { mounts: { apartMm: 500, threadMm: 6 } },
      { mounts: { apartMm: 500, threadMm: 6, depthMm: 16 } },
      "not-seen",
    ],
    ["oil cooler's ports", { oilPortsMm: 18 }, { oilPortsMm: 22 }, "adapt"],
    ["oil cooler's ports", { oilPortsMm: 18 }, {}, "not-seen"],
    ["oil cooler's ports", { oilPortsMm: 18 }, { oilPortsMm: 18 }, "not-seen"],
    [
      "oil cooler's ports",
      { oilPortsMm: 18, oilPortOutMm: 18 },
      { oilPortsMm: 18, oilPortOutMm: 18 },
      "same",
    ],
    [
      "oil cooler's ports",
      { oilPortsMm: 18, oilPortOutMm: 18 },
      { oilPortsMm: 18, oilPortOutMm: 22 },
      "adapt",
    ],
    ["pegs", { pegs: { bottom: 2 } }, { pegs: { bottom: 2, bottomApartMm: 610 } }, "not-seen"],
    ["pegs", { pegs: { bushes: true } }, { pegs: { bottom: 2, bottomApartMm: 610, top: 2 } }, "not-seen"],
    ["pegs", { pegs: { bottom: 2 } }, { pegs: { bottom: 3 } }, "stop"],
    ["pegs", { pegs: { top: 2, topApartMm: 600 } }, { pegs: { top: 2, topApartMm: 610 } }, "stop"],
  ] as [string, Unit, Unit, string][])("%s: %o and %o are %s", (what, old, made, verdict) => {
    expect(compareUnits(old, made)).toMatchObject([{ what, verdict }]);
  });
});

describe("what nobody measured", () => {
  const outlet = { feeds: "engine outlet", side: "left", heightMm: 380, diameterMm: 34 } as const;
  const tank = { feeds: "tank", side: "left", heightMm: 400, diameterMm: 8 } as const;
  const of = (old: Unit, made: Unit) =>
    compareUnits(old, made).map(({ what, verdict, old: was, new: is }) => [what, verdict, was, is]);

  it("of necks is not none, unless the unit was gone through whole", () => {
    expect(of({ necks: [outlet] }, { necks: [outlet, tank] })[1]).toMatchObject([
      expect.stringContaining("tank"),
      "not-seen",
      "not measured",
      expect.anything(),
    ]);
    expect(of({ necks: [outlet, tank] }, { necks: [outlet] })[1]?.[1]).toBe("not-seen");
    expect(of({ necks: [outlet], areNecksAll: true }, { necks: [outlet, tank] })[1]?.[1]).toBe("adapt");
    expect(of({ necks: [outlet, tank] }, { necks: [outlet], areNecksAll: true })[1]?.[1]).toBe("stop");
  });

  it("of two ports that lead to the same is asked of both, whichever was written first", () => {
    const low = { ...tank, heightMm: 60 };
    const high = { ...tank, heightMm: 300 };
    const two: Unit = { necks: [low, high] };
    expect(of(two, { necks: [high, low] }).map(([, verdict]) => verdict)).toEqual(["same", "same"]);
    expect(of(two, { necks: [high, { ...low, diameterMm: 12 }] }).map(([, verdict]) => verdict)).toEqual([
      "adapt",
      "same",
    ]);
    const wide = { feeds: "tank", side: "left", diameterMm: 12 } as const;
    const narrow = { ...wide, diameterMm: 8 };
    expect(of({ necks: [wide, narrow] }, { necks: [narrow, wide] }).map(([, verdict]) => verdict)).toEqual([
      "not-seen",
      "not-seen",
    ]);
    expect(of(two, { necks: [low] }).map(([, verdict]) => verdict)).toEqual(["same", "not-seen"]);
  });

  it("of its overall depth is not its core's", () => {
    const room = {
      depthMm: { mm: 60, plusMinusMm: 1 },
      free: [{ name: "the pipes", mm: 20, plusMinusMm: 1 }],
    };
    const lines = compareUnits({ coreThicknessMm: 26 }, { coreThicknessMm: 30 }, room);
    expect(lines.filter(({ what }) => /^(?:depth|gap)/.test(what)).map(({ verdict }) => verdict)).toEqual([
      "not-seen",
      "not-seen",
    ]);
    expect(nearest({ coreThicknessMm: 26 }, { coreThicknessMm: 30 }, room)).toBeUndefined();
  });
});

describe("a unit in its room", () => {
  it.each([
    // What is as big as the old one goes where that sat, however the room was measured.
    [500, 500, 500, 2, "same"],
    [500, 500, 480, 2, "not-seen"],
    [480, 500, 500, 2, "not-seen"],
    [480, 500, 500, 0, "not-seen"],
    [480, 500, 502, 0.5, "adapt"],
    [480, 500, 496, 2, "stop"],
    [500, 480, 500, 2, "adapt"],
  ])("of %d mm, then %d, in %d ± %d: %s", (old, made, mm, plusMinusMm, verdict) => {
    const space = { widthMm: { mm, plusMinusMm } };
    expect(compareUnits({ widthMm: old }, { widthMm: made }, space)[0]?.verdict).toBe(verdict);
  });
});
