import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { figureAt, mayBeThousands, partedBy, readList, splitLine, typedFigure } from "./index.ts";

describe("a cell's figure", () => {
  it("is what the language itself makes of it, point or comma", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -99_999_999, max: 99_999_999 }),
        fc.integer({ min: 0, max: 6 }),
        (digits, places) => {
          const text = (digits / 10 ** places).toFixed(places);
          expect(figureAt(text, 0, text.length, false)).toBeCloseTo(Number(text), 6);
          const comma = ` "${text.replace(".", ",")}" `;
          expect(figureAt(comma, 0, comma.length, true)).toBeCloseTo(Number(text), 6);
        },
      ),
    );
  });

  it.each(["", " ", "-", ".", "1.2.3", "12a", "NaN", "1e", "--4", "∞"])("is none in “%s”", (text) => {
    expect(figureAt(text, 0, text.length, true)).toBeNaN();
  });

  it("may be in powers of ten, and a comma that parts columns is no decimal mark", () => {
    expect(figureAt("1.5e2", 0, 5, false)).toBe(150);
    expect(figureAt("18,5", 0, 4, false)).toBeNaN();
  });
});

describe("a figure as it is typed", () => {
  it.each([
    ["1 149,50", 1149.5],
    ["1149.50", 1149.5],
    [" −4,5 ", -4.5],
    ["+3", 3],
    [".5", 0.5],
    ["34.", 34],
    ["1\u202f000", 1000],
  ])("%s is %d", (text, figure) => expect(typedFigure(text)).toBe(figure));

  it.each([
    "",
    " ",
    "%",
    "1e3",
    "0x10",
    "12a",
    "1.2.3",
    "1,149.50",
    "Infinity",
    "NaN",
    "--4",
    "1 2",
    "- 4",
    "-",
    ".",
    "9".repeat(65),
  ])("“%s” is none", (text) => expect(typedFigure(text)).toBeUndefined());

  it("is what the reader of logs makes of it", () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (figure) => {
        const text = figure.toFixed(3);
        expect(typedFigure(text)).toBeCloseTo(figureAt(text, 0, text.length, false), 6);
      }),
    );
  });

  it("may be thousands, and then somebody is asked", () => {
    for (const text of ["1,149", "1.149", "-12.500"]) expect(mayBeThousands(text), text).toBe(true);
    for (const text of ["1149", "1,15", "1 149", "1,1490", "1234.567"])
      expect(mayBeThousands(text), text).toBe(false);
  });
});

describe("a line with quotes", () => {
  it.each([
    ['a,"b,c",d', ["a", "b,c", "d"]],
    ['"say ""hot""",2', ['say "hot"', "2"]],
    ["", [""]],
    ["a,,", ["a", "", ""]],
  ] as const)("%s", (line, cells) => {
    expect(splitLine(line, ",")).toEqual(cells);
  });
});

describe("what parts the columns", () => {
  it.each([
    ["a;b;c", ";"],
    ["a\tb", "\t"],
    ["a,b", ","],
    ['"1;2;3;4",b', ","],
    ["", ";"],
  ])("%j: %j", (line, mark) => expect(partedBy(line)).toBe(mark));
});

describe("a list", () => {
  const read = (rows: string[][]) =>
    readList(rows, {
      columns: (rows[0] ?? []).map((head) => (head === "a" || head === "b" ? head : undefined)),
      needed: ["a"],
      mostRows: 3,
      keyOf: (row: string) => row,
      read: ({ a = "", b }) =>
        b === "skip" ? undefined : a === "bad" ? { troubles: { a: "Not that." } } : { row: a },
    });

  it("is taken whole, by its lines, without what is empty or left out", () => {
    expect(read([["a", "x"], ["1"], [" ", ""], ["2", "y"]])).toEqual({
      rows: [
        { line: 2, row: "1" },
        { line: 4, row: "2" },
      ],
      leftOut: ["x"],
    });
    expect(
      read([
        ["a", "b"],
        ["1", "skip"],
        ["2", ""],
      ]),
    ).toMatchObject({ rows: [{ line: 3, row: "2" }] });
  });

  it("or not at all", () => {
    expect(read([["a"], ["1"], ["bad"]])).toEqual({
      troubles: [{ line: 3, column: "a", words: "Not that." }],
    });
    expect(read([["a"], ["1"], ["bad"], ["1"]])).toEqual({
      troubles: [
        { line: 3, column: "a", words: "Not that." },
        { line: 4, words: "The same as line 2." },
      ],
    });
    expect(read([["b"], ["1"]])).toMatchObject({ troubles: [{ words: /a is missing/ }] });
    expect(read([["a"]])).toMatchObject({ troubles: [{ words: /no row/ }] });
    expect(read([["a"], ["1"], ["1"], ["1"], ["1"]])).toMatchObject({ troubles: [{ words: /at most 3/ }] });
  });
});
