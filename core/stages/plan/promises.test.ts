import { describe, expect, it } from "vitest";
import { book } from "../../book/entry/book.fixture.ts";
import type { Entry } from "../../book/entry/index.ts";
import { dataOf, entryTrouble, FollowUpSaid } from "../../book/facts/index.ts";
import { promisesOf } from "./promises.ts";

const said = (key: string, does: FollowUpSaid["does"], more: Partial<FollowUpSaid> = {}): Partial<Entry> => ({
  stage: "sign",
  kind: "decision",
  item: "second look",
  text: `${does} it`,
  data: dataOf(FollowUpSaid, { key, does, what: "level again", because: "as agreed", ...more }),
});

describe("second looks", () => {
  it.each(["a\r\nBEGIN:VEVENT", "a b", "", "ä", "a/b", "x".repeat(41)])("have no key like %j", (key) => {
    const [entry] = book([said("a", "promised")]);
    const keyed = { ...entry, data: { ...entry?.data, key } } as Entry;
    expect(promisesOf([keyed])).toEqual([]);
    expect(entryTrouble(keyed)).toBeDefined();
  });

  it("stand as they were last said, day and distance kept where only the rest changed", () => {
    const entries = book([
      said("a", "promised", { on: "2031-03-13", byKm: 500 }),
      said("b", "promised", { on: "2031-03-07" }),
      said("a", "moved", { on: "2031-03-20" }),
      said("b", "done"),
    ]);
    expect(promisesOf(entries)).toMatchObject([
      { key: "a", state: "open", on: "2031-03-20", byKm: 500, said: "as agreed" },
      { key: "b", state: "done", on: "2031-03-07" },
    ]);
  });

  it("come back where the line that ended them is struck", () => {
    const entries = book([
      said("a", "promised", { on: "2031-03-13" }),
      said("a", "dropped"),
      { kind: "decision", corrects: "e2" },
    ]);
    expect(promisesOf(entries)).toMatchObject([{ state: "open" }]);
  });
});
