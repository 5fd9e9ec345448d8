import { describe, expect, it } from "vitest";
import { back, bolts, book, coolant } from "../../book/entry/book.fixture.ts";
import type { Entry } from "../../book/entry/index.ts";
import { partsState } from "../../book/parts/index.ts";
import { complaintOf, findingOf } from "../../state/index.ts";
import { partLives } from "../earlier-jobs/index.ts";
import { stageStates } from "./stage-states.ts";
import { waitOf } from "./waits.ts";

const chosen = (item: string, place = ""): Partial<Entry> => ({
  stage: "plan",
  kind: "decision",
  item,
  ...(place ? { place } : {}),
  data: { chosenPart: true, grade: "pattern", supplier: "Coldbrook Parts" },
});
const fitted = (item: string, place = ""): Partial<Entry> => ({
  stage: "build",
  account: "part",
  item,
  ...(place ? { place } : {}),
  in: 1,
});
const checked = (id: string): Partial<Entry> => ({ kind: "decision", data: { checkedPart: id }, by: "ilse" });
const finding = (kind: string, text: string, more: Partial<Entry> = {}): Partial<Entry> => ({
  stage: "find",
  kind: "decision",
  item: "finding",
  text,
  data: { finding: kind },
  ...more,
});

describe("what a job found", () => {
  it("is the last that was said and stands", () => {
    const entries = book([finding("fault", "switch"), finding("fault", "relay", { corrects: "e1" })]);
    expect(findingOf(entries)).toEqual({ kind: "fault", words: "relay", entryId: "e2" });
    expect(findingOf(book([finding("nothing-wrong", "fine")]))?.kind).toBe("nothing-wrong");
    expect(findingOf([])).toBeUndefined();
    expect(findingOf(book([finding("fault", "x"), { kind: "decision", corrects: "e1" }]))).toBeUndefined();
  });

  it("stands beside the complaint in the owner's words", () => {
    expect(complaintOf(book([{ kind: "note", item: "complaint", text: "gets hot" }]))).toBe("gets hot");
    expect(complaintOf([])).toBeUndefined();
  });
});

describe("chosen parts", () => {
  it("carry grade, supplier and who looked at them out of the box", () => {
    const [part] = partsState(book([chosen("hose", "upper"), checked("e1")]));
    expect(part).toMatchObject({
      words: "upper hose",
      grade: "pattern",
      supplier: "Coldbrook Parts",
      checked: { by: "ilse" },
    });
  });

  it("struck out are chosen no more", () => {
    expect(partsState(book([chosen("fan"), { kind: "decision", corrects: "e1" }]))).toEqual([]);
  });
});

describe("part lives", () => {
  const job = (jobId: string, year: number, drafts: Partial<Entry>[]) => ({
    jobId,
    entries: book(drafts).map((entry) => ({ ...entry, at: entry.at.replace("2031", String(year)) })),
  });

  it("start where a chosen part went in and end where the next one did, newest first", () => {
    const lives = partLives([
      job("a", 2029, [chosen("radiator"), fitted("radiator")]),
      job("b", 2030, [chosen("radiator"), fitted("Radiator")]),
      job("c", 2031, [chosen("fan"), fitted("fan")]),
    ]);
    expect(
      lives.map(({ item, jobId, from, to }) => [item, jobId, from.slice(0, 4), to?.slice(0, 4)]),
    ).toEqual([
      ["fan", "c", "2031", undefined],
      ["radiator", "b", "2030", undefined],
      ["radiator", "a", "2029", "2030"],
    ]);
  });

  it("know a fan assembly that was bought in the fan that went in, and a fan motor for another part", () => {
    const [second, first] = partLives([
      job("a", 2029, [chosen("fan assembly"), fitted("fan")]),
      job("b", 2031, [chosen("fan"), fitted("fan")]),
    ]);
    expect([first?.jobId, first?.to?.slice(0, 4), second?.to]).toEqual(["a", "2031", undefined]);
    expect(partLives([job("a", 2029, [chosen("fan motor"), fitted("fan")])])).toEqual([]);
    expect(partLives([job("a", 2029, [chosen("radiator cap"), fitted("radiator")])])).toEqual([]);
  });

  it("keep parts of one name at two places apart", () => {
    const lives = partLives([
      job("a", 2029, [chosen("hose", "upper"), fitted("hose", "upper")]),
      job("b", 2030, [chosen("hose", "lower"), fitted("hose", "lower")]),
    ]);
    expect(lives.every(({ to }) => to === undefined)).toBe(true);
  });

  it("begin with neither a part that was only chosen nor one that was only put back", () => {
    expect(partLives([job("a", 2029, [chosen("fan")]), job("b", 2030, [fitted("radiator")])])).toEqual([]);
  });
});

describe("what a job waits for", () => {
  it("is the last that was said, hands where nothing was", () => {
    const opened = "2031-03-04T07:00:00.000Z";
    expect(waitOf([], opened)).toEqual({ waitsFor: "hands", words: "", since: opened });
    const waits = (waitsFor: string, text: string, until?: string): Partial<Entry> => ({
      kind: "decision",
      item: "waits",
      text,
      data: { waitsFor, ...(until ? { until } : {}) },
    });
    const entries = book([
      waits("heat", "cooling"),
      waits("parts", "switch on Thursday", "2031-03-06T08:00:00.000Z"),
    ]);
    expect(waitOf(entries, opened)).toMatchObject({
      waitsFor: "parts",
      words: "switch on Thursday",
      until: "2031-03-06T08:00:00.000Z",
    });
    expect(waitOf(book([waits("godot", "him")]), opened).waitsFor).toBe("hands");
  });
});

describe("stage states", () => {
  const stateOf = (drafts: Partial<Entry>[], isSigned = false) =>
    Object.fromEntries(stageStates(book(drafts), isSigned).map(({ stage, state }) => [stage, state]));

  it("are untouched on an empty book", () => {
    expect(new Set(Object.values(stateOf([])))).toEqual(new Set(["untouched"]));
  });

  it("go from under way to done as each stage's own question is answered", () => {
    const complaint: Partial<Entry> = { stage: "ask", kind: "note", item: "complaint", text: "hot" };
    const distance: Partial<Entry> = {
      stage: "ask",
      kind: "reading",
      item: "distance",
      value: 5,
      unit: "km",
    };
    expect(stateOf([complaint]).ask).toBe("under-way");
    expect(stateOf([complaint, distance]).ask).toBe("done");
    expect(stateOf([finding("fault", "switch")]).find).toBe("done");
    expect(stateOf([], true).sign).toBe("done");
  });

  it("show something open where it is to be put right, and done once it is", () => {
    expect(stateOf([bolts(2), back(1)]).build).toBe("open");
    expect(stateOf([bolts(2), back(2)]).build).toBe("done");
    const drained = { ...coolant("drained", 5), stage: "strip" as const };
    expect(stateOf([drained]).fill).toBe("open");
    expect(
      stageStates(book([bolts(2), bolts(1, "bag 3")]), false).find(({ stage }) => stage === "build")
        ?.openCount,
    ).toBe(2);
  });
});
