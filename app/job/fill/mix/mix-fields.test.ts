import { describe, expect, it } from "vitest";
import { freezePointC } from "../../../../core/trade/coolant/index.ts";
import { EMPTY_MIX, type MixFields, readMix } from "./mix-fields.ts";

const read = (fields: Partial<MixFields>, system: "metric" | "us" = "metric") =>
  readMix({ ...EMPTY_MIX, ...fields }, system);

describe("what is typed of a mix", () => {
  it.each([
    [{ reads: "-37" }, 0.5],
    [{ reads: "−37" }, 0.5],
    [{ reads: "-37 °C" }, 0.5],
    [{ reads: "-34.6 °F" }, 0.5],
    [{ reads: "50 %", readsAs: "%" }, 0.5],
    [{ reads: "47,5", readsAs: "%" }, 0.475],
    [{ reads: "0" }, 0],
  ] as [Partial<MixFields>, number][])("%o is a share of %d", (fields, share) => {
    expect(read(fields).measured).toBeCloseTo(share, 2);
    expect(read(fields).troubles).toEqual({});
  });

  it("reads a bare figure in the shop's own unit", () => {
    expect(read({ reads: "-34" }, "us").measured).toBeCloseTo(0.496, 2);
    expect(read({ room: "2" }, "us").roomL).toBeCloseTo(1.893, 2);
  });

  it.each([
    [{ reads: "green" }, "reads"],
    [{ reads: "-80" }, "reads"],
    [{ reads: "5" }, "reads"],
    [{ reads: "120", readsAs: "%" }, "reads"],
    [{ reads: "%", readsAs: "%" }, "reads"],
    [{ reads: "1e1", readsAs: "%" }, "reads"],
    [{ reads: "5 0", readsAs: "%" }, "reads"],
    [{ target: "65" }, "target"],
    [{ product: "0" }, "product"],
    [{ room: "900" }, "room"],
    [{ room: "-1" }, "room"],
    [{ altitude: "9000" }, "altitude"],
    [{ coldest: "-90" }, "coldest"],
  ] as [Partial<MixFields>, keyof MixFields][])(
    "%o is told at its field and counts for nothing",
    (fields, name) => {
      const { troubles, ...rest } = read(fields);
      expect(Object.keys(troubles)).toEqual([name]);
      expect(
        Object.values(rest).every(
          (value) => value === undefined || typeof value !== "number" || Number.isFinite(value),
        ),
      ).toBe(true);
    },
  );

  it("of another base is another share at the same freezing point", () => {
    const share = read({ reads: "-30", base: "propylene" }).measured ?? 0;
    expect(freezePointC("propylene", share)).toBeCloseTo(-30, 6);
  });

  it("is put right for a scale that is made for the other glycol", () => {
    const share = read({ reads: "-30", base: "propylene", madeFor: "ethylene" }).measured ?? 0;
    expect(freezePointC("propylene", share)).toBeGreaterThan(-28);
    expect(freezePointC("propylene", share)).toBeLessThan(-24);
    const float = read({ reads: "-30", base: "propylene", madeFor: "ethylene", instrument: "float" });
    expect(float.measured).toBeUndefined();
    expect(float.troubles.reads).toMatch(/refractometer/);
  });

  it("takes the room over the line where somebody says so", () => {
    expect(read({ room: "0,3" }).roomL).toBe(0.3);
    expect(read({ room: "plenty" }).troubles.room).toMatch(/any tank/);
    expect(read({}).roomL).toBeUndefined();
  });
});

describe("what the shop has said of its place", () => {
  const at = (fields: Partial<MixFields>) =>
    readMix({ ...EMPTY_MIX, ...fields }, "metric", { altitudeM: 900, coldestC: -20 });
  it("counts where nothing is typed, and what is typed counts before it", () => {
    expect(at({})).toMatchObject({ altitudeM: 900, coldestC: -20 });
    expect(at({ altitude: "0", coldest: "-5" })).toMatchObject({ altitudeM: 0, coldestC: -5 });
    expect(readMix(EMPTY_MIX, "metric", { altitudeM: null, coldestC: null })).toMatchObject({
      altitudeM: 0,
    });
  });
});
