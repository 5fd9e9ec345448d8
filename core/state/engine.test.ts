import { describe, expect, it } from "vitest";
import { readCoolant, waits } from "../book/acts/index.ts";
import type { Entry, EntryDraft } from "../book/entry/index.ts";
import {
  BleedStep,
  type CoolantRead,
  dataOf,
  HoseFelt,
  Proof,
  TestOutcome,
  WarmUpLog,
} from "../book/facts/index.ts";
import { engineState, mayHaveOpened } from "./engine.ts";

const START = Date.parse("2031-03-04T09:00:00Z");
const at = (minute: number) => new Date(START + minute * 60_000).toISOString();

/** Lines so many minutes after nine. */
const book = (...lines: [minute: number, draft: EntryDraft, more?: Partial<Entry>][]): Entry[] =>
  lines.map(([minute, draft, more], place) => ({
    id: `e${place}`,
    jobId: "j",
    seq: place + 1,
    at: at(minute),
    by: "ilse",
    stage: "fill",
    ...draft,
    ...more,
  })) as Entry[];
const read = (value: number, item = "coolant sensor"): EntryDraft => ({
  kind: "reading",
  item,
  value,
  unit: "°C",
});
const bleeds = (
  school: BleedStep["school"],
  step: number,
  does: BleedStep["does"] = "starts",
): EntryDraft => ({
  kind: "decision",
  item: "bleeding",
  text: does,
  data: dataOf(BleedStep, { school, step, does }),
});
const tests = (test: string, outcome: string): EntryDraft => ({
  kind: "test",
  item: test,
  text: outcome,
  data: dataOf(TestOutcome, { test, outcome, verdict: "pass" }),
});
const felt = (upper: HoseFelt["upper"]): EntryDraft => ({
  kind: "reading",
  item: "upper hose",
  text: upper,
  data: dataOf(HoseFelt, { upper }),
});
const drained = (litres: number): EntryDraft => ({
  kind: "movement",
  account: "coolant",
  item: "drained",
  out: litres,
  unit: "L",
});
const log = { ...WarmUpLog.example, data: { ...WarmUpLog.example.data, peakC: 99 } } as EntryDraft;
const road: EntryDraft = {
  kind: "test",
  item: "road",
  text: "ok",
  data: dataOf(Proof, { proof: "road", verdict: "pass" }),
};

const heat = (entries: Entry[], minute: number) => engineState(entries, at(minute)).heat;
const cap = (entries: Entry[], minute: number) => engineState(entries, at(minute)).cap.safeNow;

describe("how the engine stands", () => {
  it("is unknown where no line says, which is not cold", () => {
    expect(heat([], 0)).toBe("unknown");
    expect(cap([], 0)).toBe("not-seen");
  });

  it.each([
    ["a run of bleeding", bleeds("open-cap", 1), "warming"],
    ["a log", log, "cooling"],
    ["a hot test", tests("gauge", "agree"), "cooling"],
    ["a test with the engine running", tests("ac-on", "runs"), "cooling"],
    ["a road test", road, "cooling"],
    ["a hot reading", read(92), "cooling"],
  ])("is started by %s", (_, draft, wanted) => {
    const entries = book([0, draft]);
    expect(["warming", "hot", "cooling"]).toContain(heat(entries, 1));
    if (wanted === "warming") expect(engineState(entries, at(1)).isRunning).toBe(true);
    expect(cap(entries, 1)).not.toBe("pass");
    expect(heat(book([0, draft], [0.5, bleeds("open-cap", 3)]), 7 * 60)).toBe("cold");
  });

  it("is cold by a cold test until something heats it", () => {
    const cold = book([0, tests("fan-cold", "still")]);
    expect(heat(cold, 5)).toBe("cold");
    expect(heat(book([0, tests("fan-cold", "still")], [10, log]), 15)).toBe("cooling");
  });

  it("takes what was typed offline where it happened, whenever it came", () => {
    const entries = book([60, read(47)], [0, bleeds("open-cap", 1)], [10, bleeds("open-cap", 3)]);
    expect(engineState(entries, at(61)).ranUntil).toBe(at(10));
    expect(engineState(entries, at(61)).readings).toHaveLength(1);
  });

  it("keeps the time of a reading that was put right", () => {
    const entries = book([10, log], [20, read(17)], [70, read(77), { corrects: "e1" }]);
    expect(engineState(entries, at(71)).readings).toMatchObject([
      { atS: (START + 20 * 60_000) / 1000, coolantC: 77 },
    ]);
  });
});

describe("the one door to a cap", () => {
  it("is shut by another school begun after a hot stop", () => {
    const entries = book([0, bleeds("open-cap", 1)], [5, read(112)], [6, bleeds("vacuum", 0)]);
    expect(cap(entries, 7)).not.toBe("pass");
    expect(mayHaveOpened(entries, at(6), at(7))).toBe(false);
  });

  it("is not open where something hot was read after it was drained, until it has cooled", () => {
    const entries = book([0, drained(4)], [10, read(96)]);
    expect(cap(entries, 12)).toBe("fail");
    expect(heat(entries, 12)).not.toBe("cold");
    expect(cap(book([0, drained(4)], [10, read(96)], [100, read(31)]), 101)).toBe("pass");
  });

  it("is open where it was drained and has not run since", () => {
    const entries = book([0, log], [30, drained(4)]);
    expect(cap(entries, 31)).toBe("pass");
    expect(cap(book([0, log], [30, drained(4)], [40, bleeds("open-cap", 1)]), 41)).not.toBe("pass");
  });

  it("opens to a hand where nobody wrote that it ran, and after a night, and not on what was read hot", () => {
    expect(cap(book([0, felt("soft-and-cool")]), 1)).toBe("pass");
    expect(cap(book([0, felt("soft-and-cool")]), 20)).toBe("not-seen");
    expect(cap(book([0, felt("hard-or-hot")]), 1)).not.toBe("pass");
    expect(cap(book([0, log], [60, felt("soft-and-cool")]), 61)).not.toBe("pass");
    expect(cap(book([0, log], [600, felt("soft-and-cool")]), 601)).toBe("pass");
    expect(cap(book([0, read(80)], [1, felt("soft-and-cool")]), 2)).not.toBe("pass");
  });

  it("stays open for what was opened by a reading that has aged since", () => {
    const entries = book([0, felt("soft-and-cool")], [1, bleeds("vacuum", 0)]);
    expect(cap(entries, 40)).toBe("not-seen");
    expect(mayHaveOpened(entries, at(1), at(40))).toBe(true);
  });

  it("takes a figure from before it ran, or off the radiator, for no word of how hot it got", () => {
    for (const item of ["coolant sensor", "radiator sensor"]) {
      const entries = book([0, read(20, item)], [5, tests("ac-on", "runs")], [9, read(46)], [14, read(44)]);
      expect(engineState(entries, at(15)).hottestC, item).toBeUndefined();
      expect(cap(entries, 15), item).not.toBe("pass");
    }
  });

  it("takes no silence about runs for a night: one cool figure of a car that has just come in opens nothing", () => {
    const came = book([0, read(18, "room")], [2, read(19)]);
    expect(cap(came, 3)).toBe("not-seen");
    expect(cap(book([0, read(18, "room")], [2, read(19)], [3, felt("soft-and-cool")]), 4)).toBe("pass");
    expect(
      cap(book([0, { kind: "note", text: "came in" }], [420, read(18, "room")], [421, read(19)]), 422),
    ).toBe("pass");
    expect(cap(book([0, tests("fan-cold", "still")], [1, read(18, "room")], [2, read(19)]), 3)).toBe("pass");
  });

  it("isn't shut for ever by a run that nobody has ended", () => {
    const left = book([0, bleeds("open-cap", 1)]);
    expect(engineState(left, at(60)).isRunning).toBe(true);
    expect(engineState(left, at(200))).toMatchObject({
      isRunning: false,
      ranUntil: at(120),
      heat: "cooling",
    });
    expect(cap(book([0, bleeds("open-cap", 1)], [20 * 60, felt("soft-and-cool")]), 20 * 60 + 1)).toBe("pass");
  });

  const DOWN = [93, 86, 79, 73, 67, 62, 57, 53, 49, 46];
  const cooling = (reading: (celsius: number) => EntryDraft) =>
    book([0, log], ...DOWN.map((each, place): [number, EntryDraft] => [2 + 7 * place, reading(each)]));

  it("goes by where a reading was taken, whatever its line is called", () => {
    const renamed = (place: CoolantRead["at"]) =>
      cooling((celsius) => ({ ...readCoolant(celsius, place), item: "what it showed" }));
    expect(cap(renamed("engine"), 66)).toBe("pass");
    for (const place of ["radiator", "surface", "hose"] as const)
      expect(cap(renamed(place), 66), place).not.toBe("pass");
  });

  it("knows the place of an older line by its name", () => {
    expect(
      cap(
        cooling((celsius) => read(celsius)),
        66,
      ),
    ).toBe("pass");
    for (const item of ["radiator sensor", "thermostat housing", "hose"])
      expect(
        cap(
          cooling((celsius) => read(celsius, item)),
          66,
        ),
        item,
      ).not.toBe("pass");
  });

  it("takes a wait for heat for a run where nothing else tells of one, and breaks no cool-down that is watched", () => {
    const heat = waits("heat", "cooling");
    const poured: EntryDraft = { kind: "movement", account: "coolant", item: "poured", in: 1, unit: "L" };
    const drained: EntryDraft = { kind: "movement", account: "coolant", item: "drained", out: 4, unit: "L" };
    expect(cap(book([0, drained], [10, poured]), 300)).toBe("pass");
    expect(cap(book([0, drained], [10, poured], [280, heat]), 300)).not.toBe("pass");
    const watched = cooling((celsius) => readCoolant(celsius));
    const between = book([20, heat]).map((each) => ({ ...each, id: "w", seq: 4.5 }));
    expect(cap([...watched, ...between], 66)).toBe("pass");
  });

  it("believes a hose that was read hot more than a sensor that says it is cool", () => {
    const cool = cooling((celsius) => readCoolant(celsius));
    expect(
      cap([...cool, ...book([66, readCoolant(71, "hose")]).map((each) => ({ ...each, seq: 90 }))], 67),
    ).toBe("not-seen");
    expect(
      cap([...cool, ...book([66, readCoolant(31, "hose")]).map((each) => ({ ...each, seq: 90 }))], 67),
    ).toBe("pass");
  });
});
