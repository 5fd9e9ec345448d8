import { describe, expect, it } from "vitest";
import { compareUnits } from "../../../../core/trade/fit/index.ts";
import { EMPTY_SPACE, EMPTY_UNIT, lengthTrouble, spaceOf, unitOf } from "./fit-fields.ts";

describe("what was measured on the bench", () => {
  it("is nothing where nothing was filled in", () => {
    expect(unitOf(EMPTY_UNIT, "left")).toEqual({});
    expect(spaceOf(EMPTY_SPACE)).toEqual({});
  });

  it("turns the seat's sides into the vehicle's, by where the wheel is", () => {
    const fields = { ...EMPTY_UNIT, outletSide: "driver", outletHeight: "380", outletWide: "34,5" };
    expect(unitOf(fields, "right").necks).toEqual([
      { feeds: "engine outlet", side: "right", heightMm: 380, diameterMm: 34.5 },
    ]);
    expect(unitOf(fields, "left").necks?.[0]?.side).toBe("left");
  });

  it("of one car in both steerings compares alike", () => {
    const inlet = { inletSide: "passenger", inletHeight: "60", inletWide: "34" };
    const old = { ...EMPTY_UNIT, outletSide: "driver", ...inlet };
    const made = { ...EMPTY_UNIT, outletSide: "passenger", ...inlet };
    const said = (["left", "right"] as const).map((steering) =>
      compareUnits(unitOf(old, steering), unitOf(made, steering)).map(({ verdict }) => verdict),
    );
    expect(said[0]).toEqual(["stop", "same"]);
    expect(said[1]).toEqual(said[0]);
  });

  it("finds the thick one too deep for the room, with its fan in it", () => {
    const space = spaceOf({
      depth: "150",
      name: "the belt",
      fan: "80",
      plusMinus: "2",
      below: "",
      pipes: "",
      shroud: "",
    });
    const lines = compareUnits({ depthMm: 45 }, unitOf({ ...EMPTY_UNIT, depth: "72" }, "left"), space);
    expect(lines.map(({ what, verdict }) => [what, verdict])).toContainEqual([
      "depth before the belt",
      "stop",
    ]);
  });

  it("takes what is no length for not measured, and what nobody looked at for not seen", () => {
    const typed = {
      ...EMPTY_UNIT,
      outletSide: "driver",
      outletHeight: "380",
      outletWide: "34mm",
      bottomApart: "610",
    };
    const unit = unitOf(typed, "left");
    expect(unit.necks).toEqual([{ feeds: "engine outlet", side: "left", heightMm: 380 }]);
    expect(unit.pegs).toEqual({ bottom: 2, bottomApartMm: 610 });
    expect(new Set(compareUnits(unit, unit).map(({ verdict }) => verdict))).toEqual(new Set(["not-seen"]));
    expect(unitOf({ ...EMPTY_UNIT, blows: "no" }, "left").blades).toEqual({ pulls: false });
    expect(() =>
      compareUnits(
        {},
        unit,
        spaceOf({ depth: "9", name: "", fan: "3", plusMinus: "40", below: "", pipes: "", shroud: "" }),
      ),
    ).not.toThrow();
  });

  it.each(["34", "34,5", "", " 7 "])("%j is a length", (text) => expect(lengthTrouble(text)).toBeUndefined());
  it.each(["a hand", "-3", "1e3", "34mm"])("%j is none", (text) =>
    expect(lengthTrouble(text)).toMatch(/in mm/),
  );
});
