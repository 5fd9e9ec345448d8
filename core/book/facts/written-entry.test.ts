import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { describeEntry } from "../describe/index.ts";
import { book } from "../entry/book.fixture.ts";
import { FACTS } from "./list.ts";
import { entryTrouble, UNIT_RANGES, type WrittenEntry } from "./written-entry.ts";

const base = {
  id: "6f2f1a86-58a1-4a0e-9c1b-0d3c5a7b9e11",
  at: "2031-03-04T08:00:00Z",
  stage: "strip",
} as const;
const written = (fields: object) => ({ ...base, kind: "movement", ...fields }) as WrittenEntry;
const trouble = (fields: object) => entryTrouble(written(fields));
const bolts = { account: "fastener", item: "M6×20", place: "bag 2", out: 3 };

describe("entryTrouble", () => {
  it.each([
    ["bolts in a bag", bolts],
    ["a part without a place", { account: "part", item: "undertray", out: 1 }],
    ["drained coolant", { account: "coolant", item: "drained", out: 4.2 }],
    ["poured coolant", { account: "coolant", item: "poured", in: 4.5 }],
    ["less capacity than the book has", { account: "coolant", item: "capacity", out: 0.4 }],
    ["more capacity", { account: "coolant", item: "capacity", in: 0.4 }],
    ["a strike", { corrects: base.id }],
    ["a reading", { kind: "reading", item: "coolant sensor", value: 98, unit: "°C" }],
    ["a frozen morning", { kind: "reading", item: "ambient", value: -31, unit: "°C" }],
    ["a note", { kind: "note", text: "customer waits" }],
  ])("takes %s", (_, fields) => {
    expect(trouble(fields)).toBeUndefined();
  });

  it.each([
    ["half a bolt", { ...bolts, out: 2.5 }, "entry"],
    ["no bolt", { ...bolts, out: 0 }, "out"],
    ["less than no bolt", { ...bolts, out: -1 }, "out"],
    ["bolts without end", { ...bolts, out: Number.POSITIVE_INFINITY }, "out"],
    ["a count in letters", { ...bolts, out: "3" }, "out"],
    ["a bolt that goes out and in", { ...bolts, in: 3 }, "entry"],
    ["a movement of nothing", { ...bolts, item: undefined }, "entry"],
    ["an item of no letters", { ...bolts, item: "" }, "item"],
    ["a place as long as a page", { ...bolts, place: "x".repeat(121) }, "place"],
    ["an account that is none", { ...bolts, account: "petty cash" }, "account"],
    ["coolant of a kind not known", { account: "coolant", item: "toString", out: 1 }, "entry"],
    ["coolant drained in", { account: "coolant", item: "drained", in: 1 }, "entry"],
    ["coolant poured out", { account: "coolant", item: "poured", out: 1 }, "entry"],
    ["a reading that goes out", { kind: "reading", value: 1, unit: "V", out: 1 }, "entry"],
    ["a reading without its unit", { kind: "reading", item: "battery", value: 12.6 }, "entry"],
    ["a reading in furlongs", { kind: "reading", value: 1, unit: "furlong" }, "unit"],
    ["a reading that is no number", { kind: "reading", value: Number.NaN, unit: "V" }, "value"],
    ["a note that says nothing", { kind: "note" }, "entry"],
    ["a kind that is none", { kind: "receipt", text: "?" }, "kind"],
    ["a stage that is none", { ...bolts, stage: "lunch" }, "stage"],
    ["an id that is none", { ...bolts, id: "1" }, "id"],
    ["the thirtieth of February", { ...bolts, at: "2031-02-30T08:00:00Z" }, "at"],
    ["a moment without its zone", { ...bolts, at: "2031-03-04T08:00:00" }, "at"],
    ["a correction of no line", { ...bolts, corrects: "the one before" }, "corrects"],
    ["a list for data", { kind: "note", text: "?", data: [] }, "data"],
    ["a field nobody knows", { ...bolts, price: 3 }, "price"],
    ["a writer of its own", { ...bolts, by: base.id }, "by"],
    ["a NUL in a text", { kind: "note", text: "a\u0000b" }, "entry"],
    ["half a sign", { kind: "note", text: "a\ud83d" }, "entry"],
  ])("refuses %s, and says where", (_, fields, field) => {
    expect(Object.keys(trouble(fields) ?? {})).toEqual([field]);
  });

  it.each(Object.entries(UNIT_RANGES))(
    "takes what a meter can show in %s and no more",
    (unit, [least, most]) => {
      const reading = (value: number) => trouble({ kind: "reading", item: "meter", value, unit });
      expect(reading(least)).toBeUndefined();
      expect(reading(most)).toBeUndefined();
      expect(reading(least - 1)).toBeDefined();
      expect(reading(most + 1)).toBeDefined();
    },
  );

  it("keeps what a newer version said in a line that stood in a book, and takes it from nobody new", () => {
    const newer = written({ kind: "note", text: "?", data: { fact: "strength", v: 99, percent: 50 } });
    expect(entryTrouble(newer)).toBeDefined();
    expect(entryTrouble(newer, { isKept: true })).toBeUndefined();
  });

  it("answers anything at all, and what it takes can be shown in words", () => {
    const part = fc.oneof(
      fc.constantFrom(undefined, null, "", 0, -1, 1e9, "__proto__", [], {}, true, base.id, "°C", "coolant"),
      fc.string({ maxLength: 20 }),
      fc.double(),
      fc.constantFrom(...FACTS.map(({ example }) => example.data ?? {})),
    );
    const fields = fc.dictionary(
      fc.constantFrom(
        ...["kind", "account", "item", "place", "out", "in", "unit", "value", "text", "data", "corrects"],
      ),
      part,
    );
    const kind = fc.constantFrom("movement", "reading", "test", "decision", "caution", "note");
    fc.assert(
      fc.property(kind, fields, (kind, fields) => {
        const entry = written({ kind, ...fields });
        if (entryTrouble(entry)) return;
        for (const system of ["metric", "us"] as const)
          expect(describeEntry(book([entry])[0] as never, system)).toMatch(/\S/);
      }),
      { numRuns: 3000 },
    );
  });
});
