import { describe, expect, it } from "vitest";
import type { Entry, EntryDraft } from "../entry/index.ts";
import { FACTS } from "../facts/index.ts";
import { admit } from "./index.ts";

let seq = 0;
const line = (draft: EntryDraft, by = "dez"): Entry => ({
  stage: "ask",
  ...draft,
  id: `line-${++seq}`,
  jobId: "job",
  seq,
  at: "2031-03-06T08:00:00.000Z",
  by,
});
const byDesk = (book: readonly Entry[], draft: EntryDraft) =>
  admit(book, line(draft), { isSigned: false, byDesk: true })?.because;

/** Told by hand, from what a front desk hears on the telephone and what it can't. */
const HEARS = [
  "complaint",
  "correction-reason",
  "distance",
  "follow-up",
  "gauge",
  "happens",
  "ready-promised",
  "trouble",
  "wait",
];

describe("the front desk", () => {
  it.each(FACTS.map((kind) => kind.fact))("writes %s only where it is an owner's to say", (fact) => {
    const example = FACTS.find((kind) => kind.fact === fact)?.example as EntryDraft;
    expect(byDesk([], example) === "not theirs").toBe(!HEARS.includes(fact));
  });

  it("writes notes, and neither litres nor bolts nor readings", () => {
    expect(byDesk([], { kind: "note", text: "owner rang, can wait till Friday" })).toBeUndefined();
    expect(byDesk([], { kind: "movement", account: "coolant", item: "drained", out: 5 })).toBe("not theirs");
    expect(byDesk([], { kind: "movement", account: "fastener", item: "M6", place: "bag 1", out: 2 })).toBe(
      "not theirs",
    );
    expect(byDesk([], { kind: "reading", item: "battery", value: 12.6, unit: "V" })).toBe("not theirs");
  });

  it("puts right and strikes what an owner said, never what was done at the car", () => {
    const said = line({ kind: "note", text: "hot in traffic" });
    const done = line({ kind: "movement", account: "coolant", item: "drained", out: 5 }, "tobin");
    const struck = line({ kind: "note", corrects: said.id });
    expect(byDesk([said], { kind: "note", corrects: said.id })).toBeUndefined();
    expect(byDesk([said], { kind: "note", corrects: said.id, text: "hot on the pass" })).toBeUndefined();
    expect(byDesk([said, struck], { kind: "note", corrects: struck.id })).toBeUndefined();
    expect(byDesk([done], { kind: "movement", corrects: done.id })).toBe("not theirs");
    const gone = line({ kind: "movement", corrects: done.id }, "tobin");
    expect(byDesk([done, gone], { kind: "movement", corrects: gone.id })).toBe("not theirs");
    expect(byDesk([done], { kind: "note", corrects: done.id, text: "never drained" })).toBe("not theirs");
    expect(
      byDesk([said], { kind: "movement", account: "coolant", item: "drained", out: 5, corrects: said.id }),
    ).toBe("not theirs");
  });
});
