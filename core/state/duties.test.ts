import { describe, expect, it } from "vitest";
import { book as numbered } from "../book/entry/book.fixture.ts";
import type { Entry } from "../book/entry/index.ts";
import { dataOf, Got, ToGet } from "../book/facts/index.ts";
import { balance, balanceKey, outNow, stepsState, toGetDraft } from "../book/out/index.ts";
import { partsState } from "../book/parts/index.ts";
import { seededRandom } from "../kernel/chance/index.ts";
import { samples } from "../samples.fixture.ts";
import { anyBook, withDrafts } from "./any-book.fixture.ts";
import { dutiesOf, mayClose } from "./duties.ts";
import { jobState } from "./job-state.ts";
import { settled } from "./settle.fixture.ts";

const CAR = { fanStages: 2, capGaugeKPa: 110 };
const BOOKS = samples(120, 500);
const LINES = 30;
const books = (random = seededRandom(1919)) =>
  Array.from({ length: BOOKS }, () => anyBook(1 + Math.floor(random() * LINES), random));

describe("the duties of a job", () => {
  it("settled in the order in which they are offered, from wherever hands have come, end in a job that may be signed", () => {
    for (const start of books()) {
      let entries = start;
      const history: string[] = [];
      for (let turn = 0; turn < 150; turn++) {
        const [first] = dutiesOf(entries, CAR);
        if (!first) break;
        history.push(`${first.about}: ${first.words}`);
        const { entries: next, refused } = withDrafts(entries, settled(first, entries));
        expect(refused, history.join("\n")).toEqual([]);
        expect(next.length, `nothing settles it: ${history.join("\n")}`).toBeGreaterThan(entries.length);
        entries = next;
      }
      expect(dutiesOf(entries, CAR), history.slice(-8).join("\n")).toEqual([]);
      expect(mayClose(entries)).toEqual({ closes: true, because: [] });
    }
  });

  it("are told the same whatever order lines reach a browser in, and say what settles each", () => {
    for (const entries of books(seededRandom(77)).slice(0, 100)) {
      const duties = dutiesOf(entries, CAR);
      const shuffled = [...entries].sort((a, b) => (a.id < b.id ? 1 : -1)).sort((a, b) => a.seq - b.seq);
      expect(dutiesOf(shuffled, CAR)).toEqual(duties);
      for (const { words, settledBy } of duties) {
        expect(words).not.toMatch(/undefined|NaN/);
        expect(settledBy).toMatch(/\.$/);
      }
    }
  });

  it("count nothing twice: a thing is out, or to get, and what is out is never more than left", () => {
    for (const entries of books(seededRandom(5))) {
      const lines = new Map(balance(entries).map((line) => [balanceKey(line), line]));
      const out = new Map<string, number>();
      for (const each of outNow(entries)) {
        expect(each.open).toBeGreaterThan(0);
        out.set(balanceKey(each), (out.get(balanceKey(each)) ?? 0) + each.open);
      }
      for (const [key, open] of out) expect(open).toBeLessThanOrEqual(lines.get(key)?.out ?? 0);
      for (const { checked, refused } of partsState(entries)) expect(checked && refused).toBeUndefined();
      const steps = stepsState(entries).map(({ step }) => step);
      expect(new Set(steps).size).toBe(steps.length);
    }
  });
});

describe("what broke or is lost", () => {
  const out = { account: "fastener", item: "M6×20", place: "bag 2", out: 3 } as const;
  const broke = {
    kind: "note",
    item: "M6×20",
    place: "bag 2",
    data: dataOf(ToGet, { count: 1, because: "broke", account: "fastener" }),
  } as const;
  const told = (drafts: Partial<Entry>[]) => dutiesOf(numbered(drafts), CAR).map(({ words }) => words);

  it("leaves its bag until another is here", () => {
    expect(told([out, broke])).toEqual(
      expect.arrayContaining(["bag 2 is 2 M6×20 short", "M6×20, bag 2 to get: broke"]),
    );
    const here = told([out, broke, { kind: "note", data: dataOf(Got, { line: "e2" }) }]);
    expect(here).toContain("bag 2 is 3 M6×20 short");
    expect(here.join()).not.toContain("to get");
  });

  it("of a tool or a line cap stays where it may do harm, whatever is to get", () => {
    for (const lies of [
      { account: "tool", item: "magnet", out: 1 },
      { account: "line-cap", item: "oil cooler line", out: 1 },
    ] as const) {
      const entries = numbered([lies]);
      const draft = toGetDraft(entries, { item: lies.item, count: 1, because: "missing", word: "lost" });
      const open = told([lies, draft as Partial<Entry>]);
      expect(open.join()).toMatch(/still (?:in the engine bay|on a line)/);
      expect(open.join()).toMatch(/to get: missing/);
    }
  });

  it("is counted again once the line that says so is struck", () => {
    expect(told([out, broke, { corrects: "e2", kind: "note" }])).toContain("bag 2 is 3 M6×20 short");
  });
});

describe("jobState", () => {
  it("is one place for all of it, and tells by the card what the card tells", () => {
    const card = {
      capacityL: 8,
      targetFraction: 0.5,
      coolantKind: "oat",
      fillPoint: "expansion tank",
      bleedPoints: "none",
      fanOnC: [94, 101],
      capGaugeKpa: 110,
    };
    const entries = numbered([
      { account: "coolant", item: "drained", out: 5, unit: "L" },
      { kind: "reading", item: "coolant sensor", value: 96, unit: "°C" },
    ]);
    const now = "2031-03-04T08:05:00.000Z";
    const state = jobState(entries, card, now);
    expect(state.coolant?.litres.likely).toBeCloseTo(3, 9);
    expect(state.engine.heat).not.toBe("cold");
    expect(state.open.map(({ about }) => about)).toEqual(expect.arrayContaining(["litres", "proof"]));
    expect(new Set(state.measures.map((each) => each.is))).toEqual(new Set(["not looked at"]));
    expect(jobState(entries, null, now).coolant).toBeUndefined();
  });
});
