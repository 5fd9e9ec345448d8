import type { Entry } from "../../book/entry/index.ts";

/** A test and what it showed, for a book made by a test. */
export const test = (id: string, outcome: string, more: Partial<Entry> = {}): Partial<Entry> => ({
  stage: "find",
  kind: "test",
  item: id,
  text: outcome,
  data: { test: id, outcome, verdict: "pass" },
  ...more,
});
