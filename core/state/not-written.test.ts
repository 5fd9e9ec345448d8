import { describe, expect, it } from "vitest";
import type { Entry, EntryDraft, Stage } from "../book/entry/index.ts";
import { Complaint, Distance, dataOf, Finding } from "../book/facts/index.ts";
import { notWritten } from "./not-written.ts";

const line = (seq: number, stage: Stage, draft: EntryDraft): Entry => ({
  id: `e${seq}`,
  jobId: "job",
  seq,
  at: "2031-03-04T08:00:00.000Z",
  by: "tobin",
  stage,
  ...draft,
});
const complaint = line(1, "ask", {
  kind: "note",
  item: "complaint",
  text: "hot",
  data: dataOf(Complaint, {}),
});
const finding = line(2, "find", {
  kind: "decision",
  item: "finding",
  text: "Nothing wrong",
  data: dataOf(Finding, { finding: "nothing-wrong", hypothesis: "nothing-wrong" }),
});
const level = line(3, "prove", { kind: "reading", item: "coolant level", text: "at the line, cold" });
const distance = line(6, "sign", {
  kind: "reading",
  item: "distance",
  value: 184_260,
  unit: "km",
  data: dataOf(Distance, {}),
});

describe("what a book doesn't say", () => {
  it("is all of it while nothing is written, and nothing once all is", () => {
    expect(notWritten([]).map(({ stage }) => stage)).toEqual(["ask", "find", "prove", "sign"]);
    expect(notWritten([complaint, finding, level, distance])).toEqual([]);
  });

  it("is missing again once its line is struck out", () => {
    const struck = line(4, "find", { kind: "decision", corrects: finding.id });
    expect(notWritten([complaint, finding, level, distance, struck]).map(({ stage }) => stage)).toEqual([
      "find",
    ]);
  });

  it("is not proven by a note, or by a reading of another stage", () => {
    const note = line(4, "prove", { kind: "note", text: "engine running" });
    const asCame = { ...distance, stage: "ask" as const };
    expect(notWritten([complaint, finding, level, asCame]).map(({ stage }) => stage)).toEqual(["sign"]);
    const early = line(5, "ask", { kind: "reading", item: "gauge", text: "half" });
    expect(notWritten([complaint, finding, note, early, distance]).map(({ stage }) => stage)).toEqual([
      "prove",
    ]);
  });
});
