import { describe, expect, it } from "vitest";
import type { Entry } from "../ledger/index.ts";
import { halfGoneAfter, spansOf } from "./index.ts";

const at = (day: number) => new Date(Date.parse("2030-01-01T08:00:00Z") + day * 86_400_000).toISOString();
let serial = 0;
const line = (day: number, more: Partial<Entry>): Entry => {
  serial++;
  return {
    id: `e${serial}`,
    jobId: "j",
    seq: serial,
    at: at(day),
    by: "ilse",
    stage: "build",
    kind: "movement",
    ...more,
  } as Entry;
};
/** A job in which a part was bought under one name and went in under another. */
const fitted = (day: number, bought: string, went: string, grade = "pattern") => ({
  jobId: `job ${day}`,
  entries: [
    line(day, {
      stage: "plan",
      kind: "decision",
      item: bought,
      data: { fact: "chosen-part", v: 1, grade, supplier: "Coldbrook Parts" },
    }),
    line(day, { account: "part", item: went, in: 1 }),
  ],
});

describe("lives of parts", () => {
  it("end where the next went in, and last until now where none did, by the name on the car", () => {
    const spans = spansOf(
      [[fitted(0, "fan assembly", "fan"), fitted(400, "fan", "fan", "maker's")]],
      at(1000),
    );
    expect(spans.map(({ item, grade, days, failed }) => [item, grade, days, failed])).toEqual([
      ["fan", "maker's", 600, false],
      ["fan", "pattern", 400, true],
    ]);
  });

  it("that are too few, or mostly going on, have no half", () => {
    const lives = (gone: number[], held: number[]) => [
      ...gone.map((days) => ({ days, failed: true })),
      ...held.map((days) => ({ days, failed: false })),
    ];
    expect(halfGoneAfter(lives([100, 200], []))).toBeUndefined();
    expect(halfGoneAfter(lives([100, 200, 300, 400], []))).toBe(200);
    expect(halfGoneAfter(lives([100, 200, 300], [900, 900, 900, 900]))).toBeUndefined();
  });
});
