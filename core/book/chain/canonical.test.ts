import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { canonical, type Json } from "./canonical.ts";

describe("a value as the one text it can have", () => {
  // As PostgreSQL 15 answers to SELECT $1::jsonb::text.
  it.each<[Json, string]>([
    [{ bb: 1, a: 2, ab: 3 }, '{"a": 2, "ab": 3, "bb": 1}'],
    [{ é: 1, zz: 2, z: 3 }, '{"z": 3, "zz": 2, "é": 1}'],
    [
      [1e21, 1e-7, -2.5e-10, 1.5e22, 0.1, -0],
      "[1000000000000000000000, 0.0000001, -0.00000000025, 15000000000000000000000, 0.1, 0]",
    ],
    [['\u0001\n\t"\\/\u007f\u2028é'], '["\\u0001\\n\\t\\"\\\\/\u007f\u2028é"]'],
    [{}, "{}"],
    [[], "[]"],
    [[null, true, ""], '[null, true, ""]'],
  ])("%j", (value, text) => {
    expect(canonical(value)).toBe(text);
  });

  it("reads back as the same value, whatever order its keys were written in", () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const turned = (each: unknown): unknown =>
          each && typeof each === "object"
            ? Array.isArray(each)
              ? each.map(turned)
              : Object.fromEntries(
                  Object.entries(each)
                    .reverse()
                    .map(([key, inner]) => [key, turned(inner)]),
                )
            : each;
        const text = canonical(value as Json);
        expect(canonical(turned(value) as Json)).toBe(text);
        expect(JSON.parse(text)).toEqual(JSON.parse(JSON.stringify(value)));
      }),
      { seed: 20, numRuns: 300 },
    );
  });

  it("refuses a figure that is none", () => {
    expect(() => canonical([Number.NaN])).toThrow(RangeError);
    expect(() => canonical(Number.POSITIVE_INFINITY)).toThrow(RangeError);
  });
});
