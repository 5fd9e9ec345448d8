import { describe, expect, it } from "vitest";
import {
  answeredTest,
  blewBy,
  decided,
  decidedInWords,
  letOut,
  poured,
  sawLevel,
  sawSign,
  tookOff,
} from "../book/acts/index.ts";
import { book } from "../book/entry/book.fixture.ts";
import type { EntryDraft } from "../book/entry/index.ts";
import { coolantBalance } from "./coolant-balance.ts";
import { drainedUntold } from "./drained-untold.ts";
import { openItems } from "./duties.ts";
import { findingOf } from "./finding.ts";
import { fuseCause } from "./fuse-cause.ts";
import { notToRun } from "./may-run.ts";

const lowerHose = tookOff({ account: "hose", item: "hose", place: "lower" });
const radiator = tookOff({ account: "part", item: "radiator" });
const fan = tookOff({ account: "part", item: "fan", place: "left" });

describe("coolant that ran out unmeasured", () => {
  it.each<[string, EntryDraft[], boolean]>([
    ["radiator off, nothing written", [radiator], true],
    ["lower hose off, nothing written", [lowerHose], true],
    ["radiator off, filled again", [radiator, poured(4.7)], true],
    ["measured first", [letOut("drained", 5), radiator], false],
    ["measured after", [radiator, letOut("drained", 5)], false],
    ["it came dry", [letOut("missing", 8), radiator], false],
    ["a hose swapped wet, its spill written", [lowerHose, letOut("spilled", 0.3)], false],
    ["only spilled, with the radiator off", [radiator, letOut("spilled", 0.3)], true],
    ["filled, then off once more", [letOut("drained", 5), radiator, poured(5), lowerHose], true],
    ["a fan holds none", [fan], false],
    ["the upper hose only", [tookOff({ account: "hose", item: "hose", place: "upper" })], false],
  ])("%s", (_, drafts, isUntold) => {
    const entries = book(drafts);
    expect(drainedUntold(entries) !== undefined).toBe(isUntold);
    expect(coolantBalance(entries).isOutUntold).toBe(isUntold);
    expect(openItems(entries).filter(({ about }) => about === "litres").length > 0).toBe(
      isUntold || !coolantBalance(entries).withinTolerance,
    );
  });

  it("keeps the engine from being run, the radiator back in and nothing poured", () => {
    const back = { kind: "movement", account: "part", item: "radiator", in: 1 } as const;
    expect(notToRun(book([radiator, back]))).toMatch(/nobody has written how much/);
    expect(notToRun(book([radiator, back, letOut("drained", 5), poured(5)]))).toBeUndefined();
  });

  it("is never said to be so much more in than out", () => {
    const words = openItems(book([radiator, poured(4.7)])).map((each) => each.words);
    expect(words.join("; ")).toContain("radiator off, and nobody has written how much came out");
    expect(words.join("; ")).not.toMatch(/4\.7/);
  });
});

describe("cold again, said as a sign of bleeding", () => {
  const cold = (drafts: EntryDraft[]) =>
    openItems(book([letOut("drained", 2), poured(2), ...drafts])).map(({ about }) => about);

  it.each<[string, EntryDraft[], string[]]>([
    ["nobody looked", [], ["cold-check"]],
    ["at the line", [sawSign("cold-level", "pass")], []],
    ["not at the line", [sawSign("cold-level", "fail")], ["level"]],
    ["not seen", [sawSign("cold-level", "not-seen")], ["cold-check"]],
    ["not at the line, then a level at it", [sawSign("cold-level", "fail"), sawLevel("line", "cold")], []],
    ["at the line, then found low", [sawSign("cold-level", "pass"), sawLevel("low", "cold")], ["level"]],
    [
      "at the line, then topped up",
      [sawSign("cold-level", "pass"), letOut("spilled", 0.1), poured(0.1)],
      ["cold-check"],
    ],
  ])("%s", (_, drafts, open) => {
    expect(cold(drafts)).toEqual(open);
  });
});

describe("a fuse that blew", () => {
  const blown = answeredTest({ test: "fuses", outcome: "blown" });
  it.each<[string, EntryDraft[], boolean | undefined]>([
    ["found in words", [decidedInWords("fault", "Fan fuse blown")], true],
    ["words that deny it", [decidedInWords("fault", "Fuse not blown, switch dead")], undefined],
    ["an open joint blows none", [blown, decided("feed", "Feed open")], true],
    ["no fuse", [decided("switch-open", "Switch never closes")], undefined],
    ["blown, nothing found yet: the tests ask", [blown], false],
    ["the fuse is the finding", [decided("fuse", "Fan fuse blown")], true],
    ["blown, and a switch found", [blown, decided("switch-open", "Switch never closes")], true],
    ["blown, and a dead motor found", [blown, decided("motor", "Motor dead")], false],
    ["its cause is said", [decided("fuse", "Fan fuse blown"), blewBy("wire")], false],
  ])("%s", (_, drafts, isAsked) => {
    expect(fuseCause(book(drafts))?.isAsked).toBe(isAsked);
  });

  it("is never reported without what blew it", () => {
    const found = (drafts: EntryDraft[]) => findingOf(book([decided("fuse", "Fan fuse blown"), ...drafts]));
    expect(found([])?.cause).toBe("what blew it: nobody has written");
    expect(found([blewBy("motor")])?.cause).toBe("the motor draws too much");
    expect(findingOf(book([decided("nothing-wrong", "Sound")]))?.cause).toBeUndefined();
  });
});
