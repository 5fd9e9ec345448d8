import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { saidTrouble, sawGauge } from "../../core/book/acts/index.ts";
import { book, coolant } from "../book/entry/book.fixture.ts";
import type { Entry } from "../book/entry/index.ts";
import {
  BleedSign,
  Codes,
  dataOf,
  Finding,
  PROOFS,
  Proof,
  type ProofName,
  TestOutcome,
  WarmUpLog,
} from "../book/facts/index.ts";
import { proofsOf, unproven } from "./proofs.ts";
import { workDone } from "./work-done.ts";

const CAR = { fanStages: 2, capGaugeKPa: 110 };
const part = (item: string): Partial<Entry>[] => [
  { account: "part", item, out: 1 },
  { account: "part", item, in: 1 },
];
const proof = (name: ProofName, verdict: "pass" | "fail" | "not-seen", because?: string): Partial<Entry> => ({
  stage: "prove",
  kind: "test",
  item: name,
  data: dataOf(Proof, { proof: name, verdict, ...(because ? { because } : {}) }),
});
const log = (checks: WarmUpLog["checks"]): Partial<Entry> => ({
  stage: "prove",
  kind: "reading",
  item: "warm-up log",
  data: dataOf(WarmUpLog, { logId: "l", log: "after.csv", rows: 900, peakC: 99, checks }),
});
const check = (verdict: "pass" | "fail" | "not-seen", more = {}) => ({
  verdict,
  because: "As seen.",
  ...more,
});
const found: Partial<Entry> = {
  stage: "find",
  kind: "decision",
  item: "finding",
  text: "Switch contacts corroded",
  data: dataOf(Finding, { finding: "fault" }),
};
const POURED = [coolant("drained", 4), coolant("poured", 4)];
const names = (entries: readonly Entry[]) => proofsOf(entries, CAR).map((row) => row.proof);
const verdict = (entries: readonly Entry[], name: ProofName) =>
  proofsOf(entries, CAR).find((row) => row.proof === name)?.verdict;

describe("what was done", () => {
  it.each([
    ["nothing", [], { coolant: false, fan: false, calls: [] }],
    ["coolant", POURED, { coolant: true, fan: false, calls: ["coolant"] }],
    ["a fan motor", part("fan motor"), { fan: true, motors: ["only"], calls: ["fan"] }],
    ["a switch", part("thermal switch"), { fan: true, motors: [] }],
    ["a switch that was found and left", [found], { fan: false }],
    ["a plug that was cleaned", [found, { account: "connector", item: "plug", in: 1 }], { fan: true }],
    ["a radiator", part("radiator"), { fan: false }],
    ["a fan relay", part("fan relay"), { fan: true, motors: [] }],
    ["a fan assembly", part("fan assembly"), { fan: true, motors: ["only"] }],
    ["a drain plug", part("drain plug"), { fan: false }],
    ["a level sensor", part("coolant level sensor"), { fan: false }],
    ["a heater motor", part("heater motor"), { fan: false, motors: [] }],
    ["the left fan of two", part("left fan motor"), { motors: ["left"] }],
    [
      "a left fan by its place",
      [{ account: "part", item: "fan", place: "left", in: 1 }],
      { motors: ["left"] },
    ],
    [
      "both fans, one after the other",
      [...part("right fan"), ...part("left fan")],
      { motors: ["left", "right"] },
    ],
    [
      "a pack with two fans that the book tells apart",
      [
        { kind: "reading", item: "left fan plug" },
        { kind: "reading", item: "right fan plug" },
        ...part("fan pack"),
      ],
      { motors: ["left", "right"] },
    ],
    [
      "a pack of which one side alone was named",
      [{ kind: "reading", item: "left fan plug" }, ...part("fan pack")],
      { motors: ["only"] },
    ],
    ["a capacity that changed", [coolant("capacity", 0.4)], { coolant: false }],
  ] as [string, Partial<Entry>[], object][])("is told of %s", (_, lines, expected) => {
    expect(workDone(book(lines))).toMatchObject(expected);
  });
});

describe("what has to be proven", () => {
  it("is nothing where nothing was done", () => {
    expect(proofsOf([], CAR)).toEqual([]);
    expect(names(book([{ kind: "note", text: "looked at" }]))).toEqual([]);
  });
  it("follows the work", () => {
    expect(names(book(POURED))).toEqual(["log", "heater", "leaks-hot", "leaks-cold", "road"]);
    expect(names(book(part("fan assembly")))).toEqual(["log", "fan-1", "fan-2", "direction", "road"]);
  });
  it("asks which way each fan pulls, the left and the right apart", () => {
    const both = book([...part("left fan"), ...part("right fan")]);
    expect(names(both)).toEqual(["log", "fan-1", "fan-2", "direction-left", "direction-right", "road"]);
    const one = book([...part("left fan"), ...part("right fan"), proof("direction-left", "pass")]);
    expect(verdict(one, "direction-left")).toBe("pass");
    expect(verdict(one, "direction-right")).toBe("not-seen");
  });
  it("asks for gas and pressure after an overheat, however it is told", () => {
    const red: Partial<Entry>[] = [
      sawGauge("red"),
      // As it was written once, by its words.
      { kind: "reading", item: "gauge", text: "in the red", data: { fact: "gauge", v: 1 } },
      { kind: "reading", item: "gauge", text: "in the red", stage: "ask" },
      { kind: "reading", item: "codes", text: "P0217", data: dataOf(Codes, {}) },
      { kind: "reading", item: "coolant sensor", value: 124, unit: "°C" },
    ];
    for (const line of red) expect(names(book([line, ...POURED]))).toContain("gas");
    expect(names(book(POURED))).not.toContain("gas");
    const tested = (outcome: string, of: "pass" | "fail"): Partial<Entry> => ({
      kind: "test",
      item: "gas",
      data: dataOf(TestOutcome, { test: "gas-test", outcome, verdict: of }),
    });
    expect(verdict(book([...red, tested("none", "pass"), ...POURED]), "gas")).toBe("pass");
    expect(verdict(book([...red, tested("gas", "fail"), ...POURED]), "gas")).toBe("fail");
  });
  it("asks for codes that testing made until they were read again and there were none", () => {
    const unplugged: Partial<Entry> = {
      kind: "test",
      item: "Unplug the sensor",
      data: dataOf(TestOutcome, { test: "unplug-sensor", outcome: "runs", verdict: "pass" }),
    };
    const read = (text: string, stage: Entry["stage"]): Partial<Entry> => ({
      stage,
      kind: "reading",
      item: "codes",
      text,
      data: dataOf(Codes, {}),
    });
    expect(verdict(book([unplugged]), "codes")).toBe("not-seen");
    expect(verdict(book([read("none", "ask")]), "codes")).toBeUndefined();
    expect(verdict(book([unplugged, read("none", "prove")]), "codes")).toBe("pass");
    expect(verdict(book([unplugged, read("P0118", "prove")]), "codes")).toBe("not-seen");
  });
  it("asks for the gauge where it was complained of", () => {
    expect(names(book([saidTrouble(["gauge-high"]), ...POURED]))).toContain("gauge");
    const before = { fact: "trouble", v: 1, chips: ["gauge reads high"] };
    expect(names(book([{ kind: "reading", item: "trouble", data: before }, ...POURED]))).toContain("gauge");
  });
});

describe("what the book says by itself", () => {
  const fan = part("fan motor");
  it("is the log's own verdict, stage by stage", () => {
    const one = log({ thermostat: check("pass"), fanOn: check("pass", { stagesSeen: 1 }) });
    expect(verdict(book([...fan, one]), "log")).toBe("pass");
    expect(verdict(book([...fan, one]), "fan-1")).toBe("pass");
    expect(verdict(book([...fan, one]), "fan-2")).toBe("not-seen");
    const both = log({ thermostat: check("pass"), fanOn: check("pass", { stagesSeen: 2 }) });
    expect(verdict(book([...fan, both]), "fan-2")).toBe("pass");
  });
  it("fails with any check that fails, and is not seen where a fan never came", () => {
    expect(verdict(book([...fan, log({ peak: check("fail") })]), "log")).toBe("fail");
    const none = log({ thermostat: check("pass"), fanOn: check("not-seen") });
    expect(verdict(book([...fan, none]), "log")).toBe("not-seen");
    expect(verdict(book([...fan, log({ fanOn: check("fail", { failing: "never" }) })]), "fan-1")).toBe(
      "fail",
    );
  });
  it("proves nothing where it was read before the last part went in", () => {
    const good = log({ thermostat: check("pass"), fanOn: check("pass", { stagesSeen: 2 }) });
    const entries = book([good, proof("direction", "pass"), ...fan]);
    expect(verdict(entries, "log")).toBe("not-seen");
    expect(verdict(entries, "direction")).toBe("not-seen");
  });
  it("takes the heater from bleeding", () => {
    const hot: Partial<Entry> = {
      kind: "note",
      text: "hot",
      data: dataOf(BleedSign, { sign: "heater", verdict: "pass" }),
    };
    expect(verdict(book([...POURED, hot]), "heater")).toBe("pass");
  });
});

describe("what a person says", () => {
  it("stands before what the book says, the last of it", () => {
    const lines = [
      ...part("fan"),
      log({ thermostat: check("pass"), fanOn: check("pass", { stagesSeen: 2 }) }),
    ];
    expect(verdict(book([...lines, proof("fan-1", "fail", "turns backwards")]), "fan-1")).toBe("fail");
    expect(verdict(book([...lines, proof("fan-1", "fail"), proof("fan-1", "pass")]), "fan-1")).toBe("pass");
  });
  it("struck out counts no more", () => {
    const entries = book([...POURED, proof("road", "pass"), { kind: "test", corrects: "e3" }]);
    expect(verdict(entries, "road")).toBe("not-seen");
  });
  it("of what nobody asked for is shown as well", () => {
    expect(names(book([proof("gauge", "pass")]))).toEqual(["gauge"]);
  });
});

describe("what is not proven", () => {
  const left = (lines: Partial<Entry>[]) => unproven(proofsOf(book(lines), CAR)).map((row) => row.proof);
  it("is what nobody has seen, until it is seen or somebody says why not", () => {
    expect(left(POURED)).toHaveLength(5);
    expect(left([...POURED, proof("road", "not-seen")])).toContain("road");
    expect(left([...POURED, proof("road", "not-seen", "not insured to drive it")])).not.toContain("road");
    expect(left([...POURED, ...PROOFS.map((name) => proof(name, "pass"))])).toEqual([]);
  });
  it("is what failed, whatever reason it has", () => {
    expect(left([...POURED, proof("leaks-hot", "fail", "weeps at the neck")])).toContain("leaks-hot");
  });
  it("is never called passed by anything but a pass", () => {
    const line = fc.oneof(
      fc.constantFrom<Partial<Entry>>(
        ...POURED,
        ...part("fan"),
        ...part("hose"),
        log({ peak: check("not-seen") }),
      ),
      fc
        .tuple(fc.constantFrom(...PROOFS), fc.constantFrom("pass", "fail", "not-seen"))
        .map(([name, of]) => proof(name, of as "pass")),
    );
    fc.assert(
      fc.property(fc.array(line, { maxLength: 25 }), (lines) => {
        const entries = book(lines);
        const passed = new Set(
          entries.flatMap(({ data }) => (data?.verdict === "pass" ? [data.proof as string] : [])),
        );
        for (const row of proofsOf(entries, CAR))
          if (row.verdict === "pass") expect(passed.has(row.proof)).toBe(true);
      }),
      { numRuns: 200 },
    );
  });
});
