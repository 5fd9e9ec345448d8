import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { describeEntry } from "../describe/index.ts";
import { book } from "../entry/book.fixture.ts";
import type { Entry, EntryDraft } from "../entry/index.ts";
import { ChosenPart } from "./chosen-part.ts";
import { CoolantLevel } from "./coolant-level.ts";
import { CoolantRead } from "./coolant-read.ts";
import { dataOf, factOf, factsOf, factTrouble, lastFact, lifted, unknownFactOf } from "./facts-of.ts";
import { FanHeard } from "./fan-heard.ts";
import { FACTS } from "./list.ts";
import { isMoment } from "./moment.ts";
import { TestOutcome } from "./test-outcome.ts";
import { Waiting } from "./wait.ts";
import { WarmUpLog } from "./warm-up-log.ts";

const one = (draft: Partial<Entry>) => book([draft])[0] as Entry;

describe("every fact", () => {
  it("has a name of its own", () => {
    expect(new Set(FACTS.map(({ fact }) => fact)).size).toBe(FACTS.length);
  });

  it.each(FACTS.map((kind) => [kind.fact, kind] as const))(
    "%s reads its own example, in words",
    (name, kind) => {
      const entry = one(kind.example);
      expect(entry.data).toMatchObject({ fact: name, v: kind.version });
      expect(factTrouble(entry)).toBeUndefined();
      expect(factOf(entry)?.kind).toBe(kind);
      expect(factOf(entry)?.fact).toBeInstanceOf(kind);
      for (const system of ["metric", "us"] as const)
        expect(describeEntry(entry, system)).toMatch(/^[A-Z].{5,}[.?!]$/);
    },
  );

  it.each(FACTS.map((kind) => [kind.fact, kind] as const))(
    "%s refuses what it has no field for",
    (_, kind) => {
      const entry = one({ ...kind.example, data: { ...kind.example.data, wish: 1 } });
      expect(factTrouble(entry)).toMatch(/wish/);
      expect(factOf(entry)).toBeUndefined();
    },
  );

  it.each(FACTS.map((kind) => [kind.fact, kind] as const))(
    "%s is said by its own kinds of entry only",
    (_, kind) => {
      const other = (["movement", "reading", "test", "decision", "caution", "note"] as const).find(
        (each) => !kind.kinds.includes(each),
      );
      expect(factTrouble(one({ ...kind.example, kind: other }))).toMatch(/can't say/);
    },
  );
});

describe("what was kept by its words once", () => {
  it.each([
    ["trouble", "fan never runs", { chips: ["fan-never"] }],
    ["happens", "standing still", { chips: ["standing"] }],
  ])("%s is read by ids now, whatever they are worded as", (fact, words, fields) => {
    const older = one({
      kind: "reading",
      item: fact,
      data: { fact, v: 1, chips: [words, "a word of nobody's"] },
    });
    expect(factOf(older)?.fact).toMatchObject(fields);
    expect(factOf(one({ kind: "reading", item: fact, data: { fact, v: 1, chips: ["?"] } }))).toBeUndefined();
  });

  it("a gauge is read from the line's own text, each line by its own", () => {
    const data = { fact: "gauge", v: 1 };
    const at = (text: string) => factOf(one({ kind: "reading", item: "gauge", text, data }))?.fact;
    expect(at("in the red")).toMatchObject({ stood: "red" });
    expect(at("half")).toMatchObject({ stood: "half" });
    expect(at("who knows")).toEqual({});
  });
});

describe("entries from before facts had names", () => {
  it.each([
    [
      { kind: "reading", data: { level: "line", coldCheck: true } },
      CoolantLevel,
      { level: "line", heat: "cold" },
    ],
    [{ kind: "reading", data: { coldCheck: true } }, CoolantLevel, { level: "line", heat: "cold" }],
    [{ kind: "reading", text: "at the minimum", data: { level: "min" } }, CoolantLevel, { level: "min" }],
    [{ kind: "reading", value: 101, unit: "°C", data: { fan: "none" } }, FanHeard, { fan: "none" }],
    [
      { kind: "reading", item: "coolant sensor", value: 101, unit: "°C", data: { fan: "none" } },
      CoolantRead,
      { at: "engine", fan: "none" },
    ],
    [
      {
        kind: "reading",
        item: "radiator sensor",
        value: 88,
        unit: "°C",
        data: { fact: "fan-heard", v: 1, fan: "on" },
      },
      CoolantRead,
      { at: "radiator", fan: "on" },
    ],
    [{ kind: "reading", item: "thermostat housing", value: 44, unit: "°C" }, CoolantRead, { at: "surface" }],
    [
      { kind: "test", data: { test: "fuses", outcome: "sound", verdict: "pass", acknowledged: true } },
      TestOutcome,
      { test: "fuses", outcome: "sound", verdict: "pass", hazardsRead: true },
    ],
    [
      { kind: "decision", data: { chosenPart: true, grade: "used", supplier: "Tansy & Rudge" } },
      ChosenPart,
      { grade: "used", supplier: "Tansy & Rudge" },
    ],
    [{ kind: "decision", data: { waitsFor: "night", until: "20270101" } }, Waiting, { waitsFor: "night" }],
  ] as const)("%j read as what they say", (draft, kind, fields) => {
    const said = factOf(one(draft as Partial<Entry>));
    expect(said?.kind).toBe(kind);
    expect({ ...said?.fact }).toEqual(fields);
    const now = lifted(one(draft as Partial<Entry>));
    expect(now.data).toEqual(dataOf(kind as never, fields));
    expect(lifted(now)).toBe(now);
  });

  it.each([
    ["fanOn", "It reached 109 °C and the fan did not start; the card says 98 °C.", "never"],
    ["fanOn", "The fan started at 106 °C; the card says 98 °C.", "elsewhere"],
    ["thermostat", "… the thermostat hangs open.", "early"],
    ["thermostat", "… the thermostat did not open there.", "never"],
    ["thermostat", "The climb bends at 95 °C, 8 °C above the card's 87 °C.", "elsewhere"],
  ])(
    "have the failing of %s told from its sentence, once, as it is lifted: %s",
    (check, because, failing) => {
      const checks = { [check]: { verdict: "fail", because, measured: 95, expected: 87 } };
      const said = factOf(
        one({ kind: "reading", data: { logId: "l", log: "a.csv", rows: 2, peakC: 98, checks } }),
      );
      expect({ ...(said?.fact as WarmUpLog | undefined) }.checks).toMatchObject({ [check]: { failing } });
    },
  );
});

describe("what is not known here", () => {
  const newer = one({
    kind: "decision",
    text: "as it may be",
    data: { fact: "bleed-cycle", v: 3, litres: 0.2 },
  });
  const later = one({ kind: "decision", data: { fact: "wait", v: 99, waitsFor: "moon" } });
  const nameless = one({ kind: "decision", data: { fact: [{ toString: null }], v: 1 } });

  it("is kept, shown as it is written, and counts for nothing", () => {
    for (const entry of [newer, later, nameless]) {
      expect(factOf(entry)).toBeUndefined();
      expect(unknownFactOf(entry)).toBeDefined();
      expect(lifted(entry)).toBe(entry);
      expect(describeEntry(entry, "metric")).toContain("as written");
    }
    expect(describeEntry(newer, "metric")).toContain("bleed-cycle");
    expect(factsOf([later], Waiting)).toEqual([]);
  });

  it.each(Object.getOwnPropertyNames(Object.prototype))("never throws where a fact holds “%s”", (name) => {
    for (const kind of FACTS)
      for (const value of [null, {}, [], 1, "x", true]) {
        const data = JSON.parse(`{"${name}":${JSON.stringify(value)}}`) as object;
        const entries = book([
          { ...kind.example, data: { ...kind.example.data, ...data } } as Partial<Entry>,
        ]);
        for (const entry of entries) expect(describeEntry(entry, "us").length).toBeGreaterThan(0);
        lastFact(entries, kind);
      }
  });

  it("never throws, whatever stands in an entry", () => {
    const anything = fc.record({
      kind: fc.constantFrom("movement", "reading", "test", "decision", "caution", "note"),
      account: fc.option(fc.constantFrom("coolant", "fastener", "part"), { nil: undefined }),
      item: fc.option(fc.string(), { nil: undefined }),
      out: fc.option(fc.double(), { nil: undefined }),
      value: fc.option(fc.double(), { nil: undefined }),
      unit: fc.option(fc.constantFrom("°C", "L", "constructor", "V"), { nil: undefined }),
      text: fc.option(fc.string(), { nil: undefined }),
      data: fc.oneof(
        fc.constant(undefined),
        fc.dictionary(
          fc.constantFrom("fact", "v", "level", "until", "chips", "checks", "logId", "__proto__"),
          fc.jsonValue(),
        ),
        fc
          .constantFrom(...FACTS)
          .chain((kind) =>
            fc
              .dictionary(fc.string(), fc.jsonValue())
              .map((more) => ({ fact: kind.fact, v: kind.version, ...more })),
          ),
      ),
    });
    fc.assert(
      fc.property(fc.array(anything, { maxLength: 6 }), (drafts) => {
        const entries = book(drafts as Partial<Entry>[]);
        for (const kind of FACTS) lastFact(entries, kind);
        for (const entry of entries) expect(describeEntry(entry, "us").length).toBeGreaterThan(0);
      }),
      { numRuns: 400 },
    );
  });
});

describe("moments", () => {
  it.each([
    "2031-03-06T08:00:00.000Z",
    "2031-03-06T08:00:00Z",
    "2031-03-06T08:00+01:00",
    "2032-02-29T00:00Z",
  ])("%s is one", (text) => expect(isMoment(text)).toBe(true));
  it.each([
    "20270101",
    "2031-03-06",
    "2031-02-29T08:00:00Z",
    "2031-13-01T08:00:00Z",
    "9999-01-01T00:00:00Z",
    "",
    7,
    "2031-W10-4",
  ])("%s is none", (text) => expect(isMoment(text)).toBe(false));
});

describe("a part chosen before prices and reasons were written down", () => {
  const old: EntryDraft = {
    kind: "decision",
    item: "radiator",
    data: { fact: "chosen-part", v: 1, grade: "pattern", supplier: "Tansy & Rudge" },
  };

  it("is still chosen, and is written out in today's shape", () => {
    expect(factOf(old)?.fact).toMatchObject({ grade: "pattern", supplier: "Tansy & Rudge" });
    expect(lifted(old).data).toMatchObject({ v: 2, grade: "pattern" });
  });

  it.each([
    { priceCents: 0 },
    { priceCents: 1.5 },
    { because: "" },
    { partDays: -1 },
    { labourDays: "long" },
  ])("today's takes no %j", (change) => {
    const data = { fact: "chosen-part", v: 2, grade: "pattern", supplier: "Tansy & Rudge", ...change };
    expect(factTrouble({ ...old, data })).toEqual(expect.any(String));
  });
});
