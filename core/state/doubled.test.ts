import { describe, expect, it } from "vitest";
import type { Entry } from "../book/entry/index.ts";
import { doubled } from "./doubled.ts";

const AT = Date.parse("2031-03-01T08:00:00Z");

/** A book of movements by hands: “a”, “b”, each line a minute after the one before it unless `minute` says when. */
function book(...lines: (Partial<Entry> & { minute?: number })[]): Entry[] {
  return lines.map(({ minute, ...line }, index) => ({
    id: `l${index + 1}`,
    jobId: "j",
    seq: index + 1,
    at: new Date(AT + 60_000 * (minute ?? index)).toISOString(),
    by: "a",
    stage: "strip",
    kind: "movement",
    ...line,
  })) as Entry[];
}
const hose = { account: "hose", item: "upper hose", place: "" } as const;
const seqs = (entries: Entry[]) => doubled(entries).map(({ lines }) => lines.map(({ seq }) => seq));

describe("what two people wrote, each for themselves", () => {
  it.each<[string, Entry[], number[][]]>([
    ["one hose out by two", book({ ...hose, out: 1 }, { ...hose, out: 1, by: "b" }), [[1, 2]]],
    [
      "one hose out four times by two",
      book(
        { ...hose, out: 1 },
        { ...hose, out: 1, by: "b" },
        { ...hose, out: 1 },
        { ...hose, out: 1, by: "b" },
      ),
      [[1, 2, 3, 4]],
    ],
    [
      "however it is written",
      book({ ...hose, out: 1 }, { ...hose, item: "Upper Hose", out: 1, by: "b" }),
      [[1, 2]],
    ],
    [
      "a jug that both drained, 1.9 L and 1.95 L within the hour",
      book(
        { account: "coolant", item: "drained", out: 1.9, unit: "L" },
        { account: "coolant", item: "drained", out: 1.95, unit: "L", by: "b" },
      ),
      [[1, 2]],
    ],
    ["two of one person, who knows", book({ ...hose, out: 1 }, { ...hose, out: 1 }), []],
    [
      "one that went back between, and came out again",
      book({ ...hose, out: 1 }, { ...hose, in: 1 }, { ...hose, out: 1, by: "b" }),
      [],
    ],
    ["two sides", book({ ...hose, place: "left", out: 1 }, { ...hose, place: "right", out: 1, by: "b" }), []],
    [
      "bolts by two, as bolts are",
      book(
        { account: "fastener", item: "M6×20", out: 2 },
        { account: "fastener", item: "M6×20", out: 2, by: "b" },
      ),
      [],
    ],
    [
      "two jugs of different measure",
      book(
        { account: "coolant", item: "drained", out: 1.9 },
        { account: "coolant", item: "drained", out: 3, by: "b" },
      ),
      [],
    ],
    [
      "the same measure a day later",
      book(
        { account: "coolant", item: "drained", out: 1.9 },
        { account: "coolant", item: "drained", out: 1.9, by: "b", minute: 1500 },
      ),
      [],
    ],
    [
      "one of the two struck",
      book({ ...hose, out: 1 }, { ...hose, out: 1, by: "b" }, { corrects: "l2", by: "b" }),
      [],
    ],
  ])("%s", (_, entries, wanted) => {
    expect(seqs(entries)).toEqual(wanted);
  });

  it("is told the same while the book grows line by line", () => {
    const whole = book(
      { ...hose, out: 1 },
      { kind: "note", text: "x", by: "b" },
      { ...hose, out: 1, by: "b" },
      { account: "coolant", item: "drained", out: 2 },
      { account: "coolant", item: "drained", out: 2, by: "b" },
      { ...hose, in: 1 },
      { ...hose, in: 1, by: "b" },
    );
    let grown: Entry[] = [];
    for (const line of whole) {
      grown = [...grown, line];
      expect(seqs(grown)).toEqual(seqs(grown.map((each) => ({ ...each }))));
    }
    expect(seqs(grown)).toEqual([[4, 5]]);
  });
});
