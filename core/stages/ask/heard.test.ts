import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { admit } from "../../book/admit/index.ts";
import { book } from "../../book/entry/book.fixture.ts";
import type { Entry } from "../../book/entry/index.ts";
import type { GaugeStood, HappensWhen, Trouble } from "../../trade/diagnosis/knowledge/index.ts";
import { GAUGES, HAPPENS, TROUBLES } from "../../trade/diagnosis/knowledge/index.ts";
import { ASKED_LEVELS, answersOf, type Heard, linesHeard } from "./index.ts";

describe("answersOf", () => {
  it("keeps the entry that counts for each question, with its chips", () => {
    const answers = answersOf(
      book([
        { stage: "ask", kind: "note", item: "complaint", text: "hot" },
        { stage: "ask", kind: "reading", item: "happens", text: "uphill", data: { chips: ["uphill", 4] } },
        { stage: "ask", kind: "note", item: "complaint", text: "hot in the queue", corrects: "e1" },
        { stage: "find", kind: "reading", item: "gauge", text: "cold" },
        { stage: "ask", kind: "reading", item: "shoe size", text: "44" },
      ]),
    );
    expect(answers.complaint).toMatchObject({ id: "e3", text: "hot in the queue" });
    expect(answers.happens?.chips).toEqual(["uphill"]);
    expect(Object.keys(answers).sort()).toEqual(["complaint", "happens"]);
  });
});

const keys = <Id extends string>(words: Readonly<Record<Id, unknown>>) => Object.keys(words) as Id[];
const heard: fc.Arbitrary<Heard> = fc.record(
  {
    complaint: fc.constantFrom("", " ", "hot in the queue", "no heat"),
    distanceKm: fc.integer({ min: 0, max: 400_000 }),
    codes: fc.constantFrom("", "P0128"),
    trouble: fc.uniqueArray(fc.constantFrom(...keys<Trouble>(TROUBLES)), { maxLength: 3 }),
    happens: fc.uniqueArray(fc.constantFrom(...keys<HappensWhen>(HAPPENS)), { maxLength: 3 }),
    gauge: fc.constantFrom<GaugeStood | "">("", ...keys<GaugeStood>(GAUGES)),
    level: fc.constantFrom("" as const, ...ASKED_LEVELS),
  },
  { requiredKeys: [] },
);

/** A book in which each of these was booked after the other, each line one that a book takes. */
function booked(all: readonly Heard[]): Entry[] {
  let entries: Partial<Entry>[] = [];
  for (const each of all) {
    const lines = linesHeard(each, answersOf(book(entries)));
    for (const line of lines) {
      entries = [...entries, { stage: "ask", ...line }];
      const written = book(entries);
      expect(admit(written.slice(0, -1), written.at(-1) as Entry, { isSigned: false })).toBeUndefined();
    }
  }
  return book(entries);
}

describe("what is heard", () => {
  it("is booked once, however often it is said", () => {
    fc.assert(
      fc.property(heard, (said) => {
        expect(linesHeard(said, answersOf(booked([said])))).toEqual([]);
      }),
    );
  });

  it("leaves in the book what was said last of each question", () => {
    fc.assert(
      fc.property(fc.array(heard, { maxLength: 5 }), (all) => {
        const answers = answersOf(booked(all));
        const last = <Name extends keyof Heard>(name: Name, counts: (value: Heard[Name]) => boolean) =>
          all.findLast((each) => name in each && counts(each[name]))?.[name];
        expect(answers.complaint?.text).toBe(last("complaint", (text) => Boolean(text?.trim())));
        expect(answers.distance?.value).toBe(last("distanceKm", () => true));
        expect([...(answers.trouble?.chips ?? [])].sort()).toEqual(
          [...(last("trouble", () => true) ?? [])].sort(),
        );
        expect([...(answers.happens?.chips ?? [])].sort()).toEqual(
          [...(last("happens", () => true) ?? [])].sort(),
        );
        expect(answers.gauge?.chips[0] ?? "").toBe(last("gauge", () => true) ?? "");
        expect(answers["coolant level"]?.chips[0] ?? "").toBe(last("level", () => true) ?? "");
        expect(answers.codes?.text).toBe(last("codes", (text) => Boolean(text)));
      }),
    );
  });
});
