import { describe, expect, it } from "vitest";
import { book } from "../../../core/book/entry/book.fixture.ts";
import { tickId } from "../stage/tick-id.ts";
import { answersOf } from "./answers.ts";

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

describe("tickId", () => {
  it("is the same for the same tick, another for any other, and always a uuid", () => {
    expect(tickId("a", 2)).toBe(tickId("a", 2));
    expect(new Set([tickId("a", 1), tickId("a", 2), tickId("b", 1), tickId("a"), tickId("a:1")]).size).toBe(
      4,
    );
    expect(tickId("a")).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-5[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  });
});
