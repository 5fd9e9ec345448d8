import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { boltLength, type Joint } from "./bolt-length.ts";

/** Nominal lengths up to 200 mm as ISO 4017 lists its hexagon screws, with the short ones of ISO 4762. */
const ON_THE_SHELF = [
  6, 8, 10, 12, 16, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 80, 90, 100, 110, 120, 130, 140, 150, 160,
  180, 200,
];

describe("boltLength", () => {
  const M6 = { diameterMm: 6, pitchMm: 1 };
  const M8 = { diameterMm: 8, pitchMm: 1.25 };

  it.each<[string, Joint, object]>([
    // A nut M6 is 5.2 mm high (ISO 4032), and two pitches stand out of it.
    [
      "M6 through 10 mm into a nut",
      { stackMm: [2, 6, 2], thread: M6, seat: { kind: "nut", heightMm: 5.2 } },
      { leastMm: 17.2, lengthMm: 20 },
    ],
    [
      "M8 through 12 mm into aluminium",
      { stackMm: [12], thread: M8, seat: { kind: "tapped", material: "aluminium", depthMm: 16 } },
      { leastMm: 24, lengthMm: 25 },
    ],
    [
      "M8 through 12 mm into steel, just as long as a bolt",
      { stackMm: [12], thread: M8, seat: { kind: "tapped", material: "steel", depthMm: 8.5 } },
      { leastMm: 20, lengthMm: 20, spareMm: 0 },
    ],
    [
      "M6 through 4 mm into plastic",
      { stackMm: [4], thread: M6, seat: { kind: "tapped", material: "plastic", depthMm: 20 } },
      { leastMm: 16, lengthMm: 16 },
    ],
    [
      "M6 through 7 mm into an insert of 9",
      { stackMm: [5, 2], thread: M6, seat: { kind: "insert", lengthMm: 9 } },
      { leastMm: 16, lengthMm: 16 },
    ],
  ])("%s", (_, joint, wanted) => expect(boltLength(joint)).toMatchObject(wanted));

  it("is refused where it would bottom, where the hole can't hold, and where none is so long", () => {
    const tapped = (depthMm: number): Joint => ({
      stackMm: [12],
      thread: M8,
      seat: { kind: "tapped", material: "aluminium", depthMm },
    });
    expect(boltLength(tapped(12.5))).toMatchObject({
      refused: expect.stringMatching(/would bottom.*more than 0\.5 mm of washers/),
    });
    expect(boltLength(tapped(10))).toMatchObject({ refused: expect.stringMatching(/can't hold/) });
    expect(
      boltLength({ stackMm: [3], thread: M6, seat: { kind: "insert", lengthMm: 9, clearBehindMm: 2 } }),
    ).toEqual({ leastMm: 12, lengthMm: 12, spareMm: 0 });
    expect(
      boltLength({ stackMm: [4], thread: M6, seat: { kind: "insert", lengthMm: 9, clearBehindMm: 2 } }),
    ).toMatchObject({ refused: expect.any(String) });
    expect(boltLength({ stackMm: [4000], thread: M6, seat: { kind: "nut", heightMm: 5 } })).toHaveProperty(
      "refused",
    );
    expect(boltLength({ stackMm: [900], thread: M6, seat: { kind: "nut", heightMm: 5 } })).toMatchObject({
      refused: expect.stringMatching(/no bolt is longer/),
    });
  });

  it.each([
    [8, undefined, true],
    [8.4, undefined, false],
    [8.4, 0.5, true],
    [9, 0.5, false],
  ])("of 20 mm through 12 into a steel hole of %d mm, %s off, is refused: %s", (depthMm, off, isRefused) => {
    const seat = { kind: "tapped", material: "steel", depthMm, depthPlusMinusMm: off } as const;
    expect("refused" in boltLength({ stackMm: [12], thread: M8, seat })).toBe(isRefused);
  });

  it("holds, never bottoms, and is the shortest on the shelf that does", () => {
    const seat = fc.oneof(
      fc.record({ kind: fc.constant("nut" as const), heightMm: fc.double({ min: 2, max: 12, noNaN: true }) }),
      fc.record({
        kind: fc.constant("tapped" as const),
        material: fc.constantFrom("steel" as const, "aluminium" as const, "plastic" as const),
        depthMm: fc.double({ min: 2, max: 40, noNaN: true }),
      }),
    );
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.5, max: 30, noNaN: true }), { minLength: 1, maxLength: 5 }),
        fc.constantFrom(M6, M8),
        seat,
        (stackMm, thread, where) => {
          const found = boltLength({ stackMm, thread, seat: where });
          const through = stackMm.reduce((sum, each) => sum + each, 0);
          const needs =
            where.kind === "nut"
              ? where.heightMm + 2 * thread.pitchMm
              : { steel: 1, aluminium: 1.5, plastic: 2 }[where.material] * thread.diameterMm;
          const room = where.kind === "nut" ? 1e9 : where.depthMm;
          const fits = ON_THE_SHELF.filter(
            (length) => length >= through + needs - 1e-9 && length - through < room - 1e-9,
          );
          if ("refused" in found) {
            expect(fits).toEqual([]);
            return;
          }
          if (found.lengthMm >= 6) expect(found.lengthMm).toBe(fits[0]);
          expect(found.spareMm).toBeCloseTo(found.lengthMm - found.leastMm, 9);
        },
      ),
    );
  });

  it.each<[string, Partial<Joint>]>([
    ["nothing to clamp", { stackMm: [] }],
    ["a stack that isn't", { stackMm: [-1] }],
    ["no figure", { stackMm: [Number.NaN] }],
    ["a pitch as coarse as the bolt is thick", { thread: { diameterMm: 6, pitchMm: 6 } }],
    ["no bolt", { thread: { diameterMm: 0, pitchMm: 1 } }],
    ["a hole of no depth", { seat: { kind: "tapped", material: "steel", depthMm: 0 } }],
    ["a hole in cheese", { seat: { kind: "tapped", material: "cheese" as "steel", depthMm: 9 } }],
  ])("refuses %s", (_, change) => {
    const joint: Joint = { stackMm: [4], thread: M6, seat: { kind: "nut", heightMm: 5 }, ...change };
    expect(() => boltLength(joint)).toThrow(RangeError);
  });
});
