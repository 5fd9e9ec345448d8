import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { book } from "../book/entry/book.fixture.ts";
import type { BalanceLine } from "../book/out/index.ts";
import { stillOut } from "../book/out/index.ts";
import { completeLine } from "./complete-line.ts";
import { type LineContext } from "./line.ts";
import { readLine } from "./read-line.ts";

const out = (account: BalanceLine["account"], place: string, item: string, open = 1): BalanceLine => ({
  account,
  place,
  item,
  out: open,
  in: 0,
  open,
});

const context: LineContext = {
  stage: "strip",
  system: "metric",
  open: [
    out("fastener", "bag 2", "M6×20", 3),
    out("connector", "left fan", "plug"),
    out("tool", "", "magnet"),
    out("hose", "upper", "hose"),
  ],
  book: [
    { seq: 13, id: "e13", correctable: false, kind: "movement" },
    { seq: 14, id: "e14", correctable: true, kind: "movement" },
  ],
};

const booked = (text: string, given = context) => {
  const line = readLine(text, given);
  if ("expected" in line) throw new Error(`${text}: ${line.expected} at ${line.at}`);
  return line;
};

describe("readLine understands", () => {
  it.each([
    [
      "out 3 m6x20 airbox bag 2",
      { account: "fastener", item: "M6×20", place: "bag 2", out: 3, text: "airbox" },
    ],
    [
      "bag 2 airbox m6x20 3 out",
      { account: "fastener", item: "M6×20", place: "bag 2", out: 3, text: "airbox" },
    ],
    ["out 8 clips undertray", { account: "clip", item: "clip", place: "undertray", out: 8 }],
    ["out upper hose", { account: "hose", item: "hose", place: "upper", out: 1 }],
    ["out lower left bracket", { account: "part", item: "bracket", place: "lower left", out: 1 }],
    ['out "heat shield"', { account: "part", item: "heat shield", out: 1 }],
    ["out 2 line cap oil cooler", { account: "line-cap", item: "oil cooler", out: 2 }],
    ["unplug fan left", { account: "connector", item: "plug", place: "left fan", out: 1 }],
    ["plug fan left", { account: "connector", item: "plug", place: "left fan", in: 1 }],
    ["tool out magnet", { account: "tool", item: "magnet", out: 1 }],
    ["tool in magnet", { account: "tool", item: "magnet", in: 1 }],
    ["in bag 2", { account: "fastener", item: "M6×20", place: "bag 2", in: 3 }],
    ["in 2 m6 bag 2", { account: "fastener", item: "M6×20", place: "bag 2", in: 2 }],
    ["drain 5.2", { account: "coolant", item: "drained", out: 5.2 }],
    ["drained 5,2 l", { account: "coolant", item: "drained", out: 5.2 }],
    ["add 4 l 50%", { account: "coolant", item: "poured", in: 4, data: { fraction: 0.5 } }],
    ["kept 0.4 old radiator", { account: "coolant", item: "kept", out: 0.4, place: "old radiator" }],
    [
      "ect 98 fan low on",
      { kind: "reading", item: "coolant sensor", value: 98, unit: "°C", data: { fan: "low on" } },
    ],
    ["ect 101 fan none", { kind: "reading", value: 101, data: { fan: "none" } }],
    ["level line cold", { kind: "reading", item: "coolant level", data: { level: "line", heat: "cold" } }],
    ["test fuse 12 pass", { kind: "test", item: "fuse 12", data: { verdict: "pass" } }],
    ["test low pair not seen", { kind: "test", item: "low pair", data: { verdict: "not-seen" } }],
    ["note trail under left tank", { kind: "note", text: "trail under left tank" }],
    ["correct 14 out 4 m6x20 bag 2", { item: "M6×20", out: 4, corrects: "e14" }],
    ["strike 14", { kind: "movement", corrects: "e14" }],
  ])("%s", (text, entry) => {
    expect(booked(text).entry).toMatchObject(entry);
  });

  it("a bare figure in the shop's own unit", () => {
    expect(booked("drain 5.5", { ...context, system: "us" }).entry.out).toBeCloseTo(5.5 * 0.946352946, 9);
    expect(booked("ect 208 f").entry.value).toBeCloseTo(97.78, 2);
  });

  it("a whole bag that holds several kinds as several entries", () => {
    const mixed = { ...context, open: [...context.open, out("fastener", "bag 2", "washer", 2)] };
    const line = booked("in bag 2", mixed);
    expect([line.entry, ...line.more].map((entry) => [entry.item, entry.in])).toEqual([
      ["M6×20", 3],
      ["washer", 2],
    ]);
  });

  it("and shows back how", () => {
    expect(booked("ect 101 fan none").reading).toBe("Coolant sensor 101\u00a0°C, no fan heard.");
    expect(booked("out 3 m6x20 airbox bag 2").reading).toBe("Out: 3 × M6×20, bag 2 (airbox).");
  });
});

describe("a correction", () => {
  const entries = book([
    { account: "fastener", item: "M6×20", place: "bag 2", out: 3 },
    { account: "fastener", item: "M6×20", place: "bag 2", in: 3 },
    { kind: "movement", corrects: "e2" },
    {
      kind: "reading",
      item: "warm-up log",
      data: { logId: "l", log: "a.csv", rows: 2, peakC: 98, checks: {} },
    },
  ]);
  const reads = (text: string, lines = entries) =>
    readLine(text, { stage: "build", system: "metric", open: stillOut(lines), entries: lines });

  it("is read against the book without the line that it corrects", () => {
    const two = entries.slice(0, 2);
    expect(reads("in 2 m6x20 bag 2", two)).toMatchObject({
      expected: expect.stringMatching(/nothing is out/),
    });
    expect(reads("correct 2 in 2 m6x20 bag 2", two)).toMatchObject({ entry: { in: 2, corrects: "e2" } });
    expect(reads("correct 2 in 4 m6x20 bag 2", two)).toMatchObject({
      expected: expect.stringMatching(/at most 3/),
    });
  });

  it("says which line it strikes, and which one a struck strike brings back", () => {
    expect(reads("strike 1")).toMatchObject({ reading: "Strike out line 1: Out: 3 × M6×20, bag 2." });
    expect(reads("strike 3")).toMatchObject({ reading: "Bring line 2 back: In: 3 × M6×20, bag 2." });
    expect(reads("undo last")).toMatchObject({ entry: { corrects: "e3" } });
  });

  it("names no line that is struck already, nor one that stays", () => {
    expect(reads("strike 2")).toMatchObject({ expected: expect.stringMatching(/corrected already/) });
    expect(reads("strike 4")).toMatchObject({ expected: expect.stringMatching(/log stays/) });
  });
});

describe("names that a book has used", () => {
  it("need no quotes again, but never let a denial through", () => {
    const names = ["breather", "not", "without"];
    expect(readLine("out breather", { ...context, names })).toMatchObject({ entry: { item: "breather" } });
    for (const line of ["radiator not out", "out radiator without cap", "upper hose not back on"])
      expect(readLine(line, { ...context, names })).toHaveProperty("expected");
  });
});

describe("readLine points at what it can't place", () => {
  it.each([
    ["", 0, /first word/],
    ["wibble", 0, /what happened/],
    ["out 3 m6x20 arbox bag 2", 12, /quotes/],
    ["in 4 m6x20 bag 2", 3, /at most 3/],
    ["in bag 7", 3, /something that is out/],
    ["drain", 5, /how much/],
    ["drain 500", 6, /volume from/],
    ["add 4 l 140%", 8, /strength/],
    ["ect hot", 4, /figure in °C/],
    ["ect 900", 4, /-60 to 400/],
    ["level", 5, /where it stands/],
    ["tool out", 8, /which tool/],
    ["out 2.5 m6 bag 1", 4, /whole count/],
    ["test fuse 12", 12, /pass, fail/],
    ["note", 4, /what you saw/],
    ["correct 13 drain 4", 8, /corrected already/],
    ["strike 99", 7, /number of the line/],
  ])("%j", (text, at, expected) => {
    const line = readLine(text, context);
    expect(line).toMatchObject({ at, expected: expect.stringMatching(expected) });
  });

  it("never throws and never books a figure that isn't finite", () => {
    const words = fc.constantFrom(
      "out",
      "in",
      "bag",
      "2",
      "m6x20",
      "drain",
      "4,5",
      "l",
      "50%",
      "fan",
      "ect",
      '"',
      "-",
      "plug",
      "1e999",
      "__proto__",
      "constructor",
      "correct",
      "14",
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(words).map((list) => list.join(" ")),
        ),
        (text) => {
          const line = readLine(text, context);
          if ("expected" in line) expect(line.at).toBeLessThanOrEqual(text.length);
          else
            for (const figure of [line.entry.out ?? 1, line.entry.in ?? 1, line.entry.value ?? 1])
              expect(Number.isFinite(figure)).toBe(true);
        },
      ),
    );
  });
});

describe("completeLine", () => {
  it("offers what is open in this job first, and each offer can be read", () => {
    const offers = completeLine("in ", context);
    expect(offers).toContain("in bag 2");
    expect(offers).toContain("in left fan plug");
    for (const offer of offers) expect(readLine(offer, context)).toHaveProperty("entry");
  });

  it("offers nothing on an empty line", () => {
    expect(completeLine("", context)).toEqual([]);
  });
});

describe("a correction of a signed job", () => {
  const signed = {
    open: [],
    stage: "sign",
    system: "metric",
    isSigned: true,
    book: [
      { seq: 3, id: "e3", correctable: true, kind: "movement" },
      { seq: 4, id: "e4", correctable: true, kind: "note" },
    ],
  } as const;
  const read = (text: string) => readLine(text, signed);

  it.each([
    ["correct 3 add 4 l because the jug was misread", "the jug was misread"],
    ["strike 3 because: it was poured twice in the book", "it was poured twice in the book"],
    ["correct 4 note hose split because it froze because misheard", "misheard"],
    ["correct 3 add 4 l BECAUSE of the jug", "of the jug"],
  ])("%s says why", (text, why) => {
    expect(read(text)).toMatchObject({
      entry: { corrects: expect.stringMatching(/^e[34]$/) },
      more: [{ kind: "note", text: why, data: { fact: "correction-reason" } }],
      reading: expect.stringContaining(`Because: ${why}.`),
    });
  });

  it("keeps a “because” of its own words that is not the last", () => {
    expect(read("correct 4 note hose split because it froze because misheard")).toMatchObject({
      entry: { text: "hose split because it froze" },
    });
  });

  it.each(["correct 3 add 4 l", "strike 3", "strike 3 because", "correct 3 add 4 l because   "])(
    "%j is asked why",
    (text) => expect(read(text)).toMatchObject({ expected: expect.stringMatching(/why|nothing more|word/) }),
  );

  it("before the signature stands as it is, “because” and all", () => {
    expect(readLine("correct 4 note split because it froze", { ...signed, isSigned: false })).toMatchObject({
      entry: { text: "split because it froze" },
      more: [],
    });
  });
});
