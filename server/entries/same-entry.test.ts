import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Entry } from "../../core/book/entry/index.ts";
import { isSameEntry } from "./same-entry.ts";

const bolts: Partial<Entry> = {
  kind: "movement",
  stage: "strip",
  account: "fastener",
  item: "M6×20",
  out: 3,
};

/** The same thing with its names in another order, all the way down. */
const turned = (value: unknown): unknown =>
  value && typeof value === "object" && !Array.isArray(value)
    ? Object.fromEntries(
        Object.entries(value)
          .reverse()
          .map(([name, part]) => [name, turned(part)]),
      )
    : value;

describe("isSameEntry", () => {
  it("holds for a resend, whoever carried it and whenever it came", () => {
    const first = { ...bolts, at: "2031-03-04T08:00:00Z", by: "tobin", seq: 4 };
    expect(isSameEntry(first, { ...bolts, at: "2031-03-04T09:00:00Z", by: "wren", seq: 7 })).toBe(true);
  });

  it.each([
    "stage",
    "kind",
    "account",
    "item",
    "place",
    "out",
    "in",
    "unit",
    "value",
    "text",
    "corrects",
  ] as const)("does not hold where %s is another", (field) => {
    expect(isSameEntry(bolts, { ...bolts, [field]: "another" })).toBe(false);
  });

  it("does not mind in which order a database gives an object's names back, and minds everything else", () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (data) => {
        fc.pre(!("__proto__" in data) && !JSON.stringify(data).includes("__proto__"));
        const entry = { ...bolts, data };
        expect(isSameEntry(entry, { ...bolts, data: turned(data) as Entry["data"] })).toBe(true);
        expect(isSameEntry(entry, { ...bolts, data: { ...data, more: "than was said" } })).toBe(
          data.more === "than was said",
        );
      }),
    );
  });

  it("minds the order of a list", () => {
    const of = (...wires: string[]) => ({ ...bolts, data: { wires } });
    expect(isSameEntry(of("red", "black"), of("black", "red"))).toBe(false);
  });
});
