import { describe, expect, it } from "vitest";
import { compareUnits, nearest, type Unit } from "./index.ts";

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
      "same",
    ],
    ["oil cooler's ports", { oilPortsMm: 18 }, { oilPortsMm: 22 }, "adapt"],
    ["oil cooler's ports", { oilPortsMm: 18 }, {}, "not-seen"],
  ] as [string, Unit, Unit, string][])("%s: %o and %o are %s", (what, old, made, verdict) => {
    expect(compareUnits(old, made)).toMatchObject([{ what, verdict }]);
  });
});
