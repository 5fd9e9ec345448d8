import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sharedEach } from "./useShared.ts";

const item = fc.record(
  { id: fc.constantFrom("a", "b", "c", "d"), seq: fc.nat(2), data: fc.array(fc.nat(1)) },
  { noNullPrototype: true },
);
const list = fc.uniqueArray(item, { selector: ({ id }) => id, maxLength: 4 });

describe("a list that is read again", () => {
  it("says what was read, whatever was there before", () => {
    fc.assert(
      fc.property(list, list, (last, next) => {
        expect(sharedEach(last, next)).toEqual(next);
      }),
    );
  });

  it("is the very list that it was where it says the same, and never where it doesn't", () => {
    fc.assert(
      fc.property(list, list, (last, next) => {
        const isSame = JSON.stringify(last) === JSON.stringify(next);
        expect(sharedEach(last, next) === last).toBe(isSame);
        expect(sharedEach(last, structuredClone(last))).toBe(last);
      }),
    );
  });

  it("keeps each line that stayed as it was when one is added or changed", () => {
    const last = [
      { id: "a", seq: 1 },
      { id: "b", seq: 2 },
    ];
    const grown = sharedEach(last, [
      { id: "a", seq: 1 },
      { id: "b", seq: 3 },
      { id: "c", seq: 4 },
    ]);
    expect(grown[0]).toBe(last[0]);
    expect(grown[1]).not.toBe(last[1]);
    expect(grown).toHaveLength(3);
  });
});
