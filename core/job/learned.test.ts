import { describe, expect, it } from "vitest";
import type { Entry } from "../ledger/index.ts";
import { learnedFrom } from "./learned.ts";

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
      minutes: 32,
    });
  });

  it("is nothing where nothing came off, and what was struck teaches nothing", () => {
    const out = entry(0, { account: "part", item: "fan", out: 1 });
    expect(learnedFrom([])).toBeUndefined();
    expect(learnedFrom([entry(0, { account: "coolant", item: "drained", out: 4 })])).toBeUndefined();
    expect(learnedFrom([out, entry(1, { corrects: out.id })])).toBeUndefined();
  });
});
