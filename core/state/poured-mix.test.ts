import { describe, expect, it } from "vitest";
import type { Entry } from "../book/entry/index.ts";
import { pouredMix } from "./poured-mix.ts";

const line = (seq: number, more: Partial<Entry>): Entry =>
  ({
    id: `e${seq}`,
    jobId: "j",
    seq,
    at: "2031-03-04T09:00:00.000Z",
    by: "ilse",
    stage: "fill",
    kind: "movement",
    account: "coolant",
    item: "poured",
    unit: "L",
    ...more,
  }) as Entry;
const strong = (fraction: number) => ({ data: { fact: "strength", v: 1, fraction } });

describe("what was poured", () => {
  it("is as strong as its parts together, and as usual where nobody said", () => {
    const book = [line(1, { in: 2, ...strong(1) }), line(2, { in: 1, ...strong(0) }), line(3, { in: 1 })];
    expect(pouredMix(book, 0.5)).toEqual({ litres: 4, fraction: 2.5 / 4 });
    expect(pouredMix([], 0.4)).toEqual({ litres: 0, fraction: 0.4 });
  });

  it("leaves out what was struck or corrected, what was drained, and a strength that is none", () => {
    const book = [
      line(1, { in: 2, ...strong(1) }),
      line(2, { corrects: "e1", in: 3, ...strong(0.5) }),
      line(3, { item: "drained", out: 5 }),
      line(4, { in: 1, data: { fraction: "much" } }),
    ];
    expect(pouredMix(book, 0.3)).toEqual({ litres: 4, fraction: (1.5 + 0.3) / 4 });
  });
});
