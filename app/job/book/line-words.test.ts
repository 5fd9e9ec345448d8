import { describe, expect, it } from "vitest";
import { back, bolts, book, coolant } from "../../../core/book/entry/book.fixture.ts";
import type { Entry } from "../../../core/book/entry/index.ts";
import { lineWords } from "./line-words.ts";

const wordsOf = (drafts: Partial<Entry>[], system: "metric" | "us" = "metric") => {
  const entries = book(drafts);
  return entries.map((entry) => lineWords(entry, system, entries));
};

describe("lineWords", () => {
  it("says what moved, once, in the shop's own units", () => {
    const [out, tick] = wordsOf([bolts(3), back(3)]);
    expect(out).toMatch(/3.*M6×20.*bag 2/i);
    expect(tick).toMatch(/3.*M6×20/i);
    const metric = wordsOf([coolant("drained", 4)])[0];
    const us = wordsOf([coolant("drained", 4)], "us")[0];
    expect(metric).toMatch(/4\.0.L/);
    // 4 L are 4.227 US liquid quarts.
    expect(us).toMatch(/4\.2/);
  });

  it("names the line that it strikes out, brings back or corrects by its number", () => {
    const lines = wordsOf([
      bolts(3),
      { corrects: "e1" },
      { corrects: "e2" },
      { ...bolts(4), corrects: "e1" },
    ]);
    expect(lines[1]).toBe("Line 1 struck out.");
    expect(lines[2]).toBe("Line 1 is back: line 2 struck out.");
    expect(lines[3]).toMatch(/^Line 1 corrected: .*4.*M6×20/i);
  });

  it("still says something of a line whose other end is missing", () => {
    const [strike, correction] = wordsOf([{ corrects: "gone" }, { ...bolts(4), corrects: "gone" }]);
    expect(strike).toBe("Line ? struck out.");
    expect(correction).toMatch(/4.*M6×20/i);
  });

  it("shows what a newer version wrote as it was written", () => {
    const [line] = wordsOf([{ kind: "note", text: "from tomorrow", data: { fact: "not-yet", v: 1 } }]);
    expect(line).toContain("rom tomorrow");
  });
});
