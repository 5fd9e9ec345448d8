import { describe, expect, it } from "vitest";
import type { Entry } from "../../book/entry/index.ts";
import { halfGoneAfter, lifeHere, type PartSpan, spansOf } from "./lives.ts";

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
  it("end where the next went in, and last until the car was last seen where none did, by the name on the car", () => {
    const seen = { jobId: "job 1000", entries: [line(1000, { kind: "note", text: "bulb" })] };
    const spans = spansOf(
      [[fitted(0, "fan assembly", "fan"), fitted(400, "fan", "fan", "maker's"), seen]],
      at(3000),
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

describe("how long a grade lasts here", () => {
  const span = (days: number, failed: boolean, grade = "pattern", item = "radiator"): PartSpan => ({
    item,
    grade,
    supplier: "Tansy & Rudge",
    days,
    failed,
  });

  it("is not said while too few have gone, nor of another grade or part", () => {
    const few = [span(300, true), span(500, true), span(900, false)];
    expect(lifeHere(few, "radiator", "pattern")).toBeUndefined();
    expect(lifeHere([...few, span(700, true)], "radiator", "maker's")).toBeUndefined();
    expect(lifeHere([...few, span(700, true)], "fan", "pattern")).toBeUndefined();
  });

  it("comes back to what it was drawn from, parts still in a car counted right", () => {
    const [scale, shape] = [700, 1.7];
    // Every 2.5 % of the true lives, looked at after 900 days: those that have not gone are still in.
    const lives = Array.from(
      { length: 40 },
      (_, index) => scale * (-Math.log(1 - (index + 0.5) / 40)) ** (1 / shape),
    );
    const found = lifeHere(
      lives.map((days) => span(Math.round(Math.min(days, 900)), days < 900)),
      "radiator assembly",
      "pattern",
    );
    const median = scale * Math.LN2 ** (1 / shape);
    expect(found?.of).toBe(40);
    expect(Math.abs((found?.life.medianDays ?? 0) / median - 1)).toBeLessThan(0.08);
    expect(Math.abs((found?.life.shape ?? 0) - shape)).toBeLessThan(0.25);
  });

  it("is not said where the lives tell nothing sound", () => {
    const same = Array.from({ length: 6 }, () => span(400, true));
    expect(lifeHere(same, "radiator", "pattern")).toBeUndefined();
  });
});
