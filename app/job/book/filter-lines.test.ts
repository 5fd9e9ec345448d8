import { describe, expect, it } from "vitest";
import { book } from "../../../core/book/entry/book.fixture.ts";
import { filterLines, isFiltered, NO_FILTER } from "./filter-lines.ts";

const entries = book([
  { account: "fastener", item: "M6×20", place: "bag 2", out: 3, text: "airbox", stage: "strip" },
  { account: "connector", item: "plug", place: "left fan", out: 1, stage: "strip" },
  { kind: "note", text: "radiator bushes cracked", stage: "find" },
  { account: "connector", item: "plug", place: "left fan", in: 1, stage: "build" },
]);
const found = (filter: Partial<typeof NO_FILTER>) =>
  filterLines(entries, { ...NO_FILTER, ...filter }, "metric").map(({ seq }) => seq);

describe("the book, searched", () => {
  it("is whole with nothing asked for", () => {
    expect(found({})).toEqual([1, 2, 3, 4]);
    expect(isFiltered(NO_FILTER)).toBe(false);
    expect(isFiltered({ ...NO_FILTER, words: "  " })).toBe(false);
  });

  it.each([
    ["m6x20", [1]],
    ["BAG 2", [1]],
    // A three is a count, a bag's number or a line's: not a piece of another number.
    ["bag 3", []],
    ["bag 20", []],
    ["airbox", [1]],
    ["fan left", [2, 4]],
    ["cracked", [3]],
    ["3", [1, 3]],
    ["nothing of the kind", []],
  ])("by %s", (words, lines) => {
    expect(found({ words })).toEqual(lines);
  });

  it("by stage, and by what is still out", () => {
    expect(found({ stage: "strip" })).toEqual([1, 2]);
    expect(found({ isStillOpen: true })).toEqual([1]);
    expect(found({ isStillOpen: true, words: "plug" })).toEqual([]);
  });
});
