import { describe, expect, it } from "vitest";
import type { Entry } from "../../book/entry/index.ts";
import { ChosenPart, dataOf, OrderOfWork } from "../../book/facts/index.ts";
import { learnedFrom } from "./learned.ts";
import { likeness } from "./likeness.ts";

let seq = 0;
const entry = (minute: number, draft: Partial<Entry>): Entry => ({
  id: `e${++seq}`,
  jobId: "job",
  seq,
  at: new Date(Date.UTC(2030, 0, 1, 8, minute)).toISOString(),
  by: "ilse",
  stage: "strip",
  kind: "movement",
  ...draft,
});

describe("what was learned on the last job on the same model", () => {
  it("is what came off in its order, what broke, which side first, and the hours at it", () => {
    const book = [
      entry(0, { account: "part", item: "undertray", out: 1 }),
      entry(5, { account: "fastener", item: "M6×20", place: "bag 1", out: 4, text: "airbox" }),
      entry(6, {
        kind: "note",
        item: "clip",
        place: "undertray",
        data: { fact: "to-get", v: 1, count: 2, because: "broke" },
      }),
      entry(10, { account: "connector", item: "plug", place: "right fan", out: 1 }),
      entry(12, { account: "connector", item: "plug", place: "left fan", out: 1 }),
      entry(300, { account: "connector", item: "plug", place: "left fan", in: 1 }),
      entry(320, { account: "part", item: "undertray", in: 1 }),
    ];
    expect(learnedFrom(book)).toEqual({
      outs: [
        { account: "part", item: "undertray", place: "", count: 1 },
        { account: "fastener", item: "M6×20", place: "bag 1", count: 4, where: "airbox" },
        { account: "connector", item: "plug", place: "right fan", count: 1 },
        { account: "connector", item: "plug", place: "left fan", count: 1 },
      ],
      broke: ["2 × clip, undertray"],
      firstSide: "right",
      features: [],
      minutes: 32,
    });
  });

  it("is nothing where nothing came off, and what was struck teaches nothing", () => {
    const out = entry(0, { account: "part", item: "fan", out: 1 });
    expect(learnedFrom([])).toBeUndefined();
    expect(learnedFrom([entry(0, { account: "coolant", item: "drained", out: 4 })])).toBeUndefined();
    expect(learnedFrom([out, entry(1, { corrects: out.id })])).toBeUndefined();
  });

  const bolt = (minute: number, draft: Partial<Entry>) =>
    entry(minute, { account: "fastener", item: "M6×20", place: "bag 1", ...draft });
  it.each<[string, Entry[], [number, string?][]]>([
    [
      "two of one size from two places in one bag",
      [bolt(0, { out: 2, text: "airbox" }), bolt(1, { out: 3, text: "shroud" })],
      [
        [2, "airbox"],
        [3, "shroud"],
      ],
    ],
    ["one after the other", [bolt(0, { out: 1 }), bolt(1, { out: 1 })], [[2]]],
    ["off, back, and off again", [bolt(0, { out: 2 }), bolt(1, { in: 2 }), bolt(2, { out: 2 })], [[2]]],
    ["one of them back meanwhile", [bolt(0, { out: 2 }), bolt(1, { in: 1 }), bolt(2, { out: 2 })], [[3]]],
  ])("counts %s as they were off at once", (_, book, wanted) => {
    expect(learnedFrom(book)?.outs.map(({ count, where }) => (where ? [count, where] : [count]))).toEqual(
      wanted,
    );
  });
});

describe("the job that is most like this one", () => {
  const goal = (name: "radiator" | "fan only") =>
    entry(0, { kind: "decision", data: dataOf(OrderOfWork, { goal: name, features: [], order: [] }) });
  const chose = (item: string) =>
    entry(0, { kind: "decision", item, data: dataOf(ChosenPart, { grade: "pattern", supplier: "Pell" }) });
  const outs = (count: number) =>
    Array.from({ length: count }, (_, bag) =>
      entry(1, { account: "clip", item: "clip", place: `bag ${bag}`, out: 1 }),
    );
  const like = (now: Entry[], other: Entry[]) => likeness(now, other) ?? -1;

  it("has its goal and its parts, and is a deep one where nothing else tells", () => {
    const fan = [goal("fan only"), ...outs(3)];
    const radiator = [goal("radiator"), ...outs(9)];
    expect(like([goal("fan only")], fan)).toBeGreaterThan(like([goal("fan only")], radiator));
    expect(like([goal("radiator")], radiator)).toBeGreaterThan(like([goal("radiator")], fan));
    expect(like([], outs(9))).toBeGreaterThan(like([], outs(1)));
    const [motor, cooler] = [chose("fan motor"), chose("radiator")];
    expect(like([motor], [chose("fan motor"), ...outs(7)])).toBeGreaterThan(
      like([motor], [cooler, ...outs(7)]),
    );
  });

  it("is none where nothing came off, or all of it was struck", () => {
    const [out] = outs(1);
    expect(likeness([], [])).toBeUndefined();
    expect(likeness([], out ? [out, entry(2, { corrects: out.id })] : [])).toBeUndefined();
  });
});
