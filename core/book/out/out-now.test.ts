import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { back, bolts, book, coolant } from "../entry/book.fixture.ts";
import { outNow, outOpen } from "./out-now.ts";

/** One moved piece of a thing at a place. */
const step = fc.record({
  isOut: fc.boolean(),
  count: fc.integer({ min: 1, max: 4 }),
  place: fc.constantFrom("bag 1", "bag 2", "Bag 2 "),
  item: fc.constantFrom("M6×20", "push pin"),
});

describe("outNow", () => {
  it("counts what is out as somebody would with a tray for each thing, piece by piece", () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
        const trays = new Map<string, string[]>();
        const entries = book(
          steps.map(({ isOut, count, place, item }) =>
            isOut ? bolts(count, place, item) : back(count, place, item),
          ),
        );
        for (const [index, { isOut, count, place, item }] of steps.entries()) {
          const name = `${place.trim().toLowerCase()}|${item.toLowerCase()}`;
          const tray = trays.get(name) ?? [];
          trays.set(name, tray);
          for (let piece = 0; piece < count; piece++) isOut ? tray.push(`e${index + 1}`) : tray.pop();
        }
        const pieces = [...trays.values()].flat().sort();
        const listed = outNow(entries).flatMap(({ entryId, open }) => Array<string>(open).fill(entryId));
        expect(listed.sort()).toEqual(pieces);
      }),
      { numRuns: 300 },
    );
  });

  it("is out again what went on, was never out before, and came off once more", () => {
    const entries = book([back(1, "", "airbox"), bolts(1, "", "airbox")]);
    expect(outOpen(entries, { account: "fastener", item: "airbox" })).toBe(1);
  });

  it("takes what goes back from the bag that was filled last", () => {
    const entries = book([bolts(2), bolts(3), back(4)]);
    expect(outNow(entries)).toMatchObject([{ entryId: "e1", open: 1 }]);
  });

  it("follows a count that was corrected, and a tick that was struck", () => {
    const entries = book([
      bolts(3),
      back(3),
      { corrects: "e2" },
      { ...bolts(2), corrects: "e1" },
      { ...back(1), at: "2031-03-04T09:00:00Z" },
    ]);
    expect(outOpen(entries, { account: "fastener", item: "m6×20", place: "BAG 2" })).toBe(1);
  });

  it("has no coolant in it, and no readings", () => {
    const entries = book([coolant("drained", 4), { kind: "reading", value: 90, unit: "°C" }]);
    expect(outNow(entries)).toEqual([]);
  });
});
