import { describe, expect, it } from "vitest";
import { readFans } from "./fan-states.ts";
import type { Turn } from "./find-turns.ts";

const SPEC = { thermostatOpensC: 83, fanOnC: [91], fanOffC: [85] };
const turn = (kind: Turn["kind"], at: number, coolantC: number, swingC = 6): Turn => ({
  kind,
  at,
  coolantC,
  before: kind === "top" ? 0.02 : -0.05,
  after: kind === "top" ? -0.05 : 0.02,
  swingC,
});
/** As `regimes.ts` prices them: 6 nats for an undisturbed turn, less than one for what wind could have made. */
const read = (turns: Turn[], faint: readonly number[] = [], hottestC = 80) =>
  readFans({
    turns,
    spec: SPEC,
    startC: 20,
    otherCost: ({ at }) => (faint.includes(at) ? 0.8 : 6),
    hottestC: () => hottestC,
  }).events.map(({ kind, turn: { at } }) => `${kind} ${at}`);

describe("readFans", () => {
  it("takes tops and feet at the card's figures for one stage that starts and stops", () => {
    expect(read([turn("top", 500, 91), turn("bottom", 700, 85), turn("top", 900, 91.2)])).toEqual([
      "fan-on 500",
      "fan-off 700",
      "fan-on 900",
    ]);
  });

  it("makes no fan of faint turns alone, nor of one faint stop after the last start", () => {
    expect(read([turn("top", 500, 91, 1.4), turn("bottom", 700, 85, 1.4)], [500, 700])).toEqual([]);
    expect(read([turn("top", 500, 91), turn("bottom", 700, 85)], [700])).toEqual(["fan-on 500"]);
  });

  it("reads a switch that is off its card by the same each time, and no fan where each top is elsewhere", () => {
    const off = (tops: number[]) =>
      tops.flatMap((topC, i) => [turn("top", 500 + 300 * i, topC), turn("bottom", 650 + 300 * i, 91)]);
    expect(read(off([97, 97.2, 96.9]))).toHaveLength(6);
    expect(read([turn("top", 400, 70), turn("bottom", 500, 66)])).toEqual([]);
  });

  it("takes a foot for a stop where raised revs hid the start, if it was passed for sure, and for none where it was not", () => {
    const hidden = [
      turn("top", 500, 96),
      turn("bottom", 640, 85),
      turn("top", 900, 91),
      turn("bottom", 1000, 85),
    ];
    expect(read(hidden, [500], 96)).toEqual(["fan-off 640", "fan-on 900", "fan-off 1000"]);
    expect(read(hidden, [500, 640], 88)).toEqual(["fan-on 900", "fan-off 1000"]);
  });

  it("believes a sharp stop that the log ends on, and no blunt one", () => {
    const ends = (before: number) => [
      turn("top", 500, 91),
      { ...turn("bottom", 560, 85, 1.4), before, after: 0.04 },
    ];
    expect(read(ends(-0.27))).toEqual(["fan-on 500", "fan-off 560"]);
    expect(read(ends(-0.05))).toEqual(["fan-on 500"]);
  });
});
