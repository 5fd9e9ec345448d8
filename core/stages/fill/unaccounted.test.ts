import { describe, expect, it } from "vitest";
import type { CoolantBalance } from "../../state/index.ts";
import { methodsFor } from "../../trade/bleed/index.ts";
import { type BleedRun } from "./bleed-run.ts";
import { unaccountedAs } from "./unaccounted.ts";

const sums = (unaccountedL: number): CoolantBalance => ({
  drainedL: 5,
  spilledL: 0,
  keptInPartsL: 0,
  missingAtArrivalL: 0,
  addedL: 5 - unaccountedL,
  capacityChangeL: 0,
  unaccountedL,
  toleranceL: 0.4,
  withinTolerance: Math.abs(unaccountedL) <= 0.4,
  moved: true,
  isOutUntold: false,
});
const run = (...litres: number[]): BleedRun => ({
  method: methodsFor({})[0] as BleedRun["method"],
  step: 0,
  startedAt: "2031-03-04T09:00:00.000Z",
  cycles: litres.map((toppedUpL) => ({ toppedUpL })),
  signs: {},
  isEnded: false,
});

describe("coolant that isn't accounted for", () => {
  it.each([
    [0.3, [], "level"],
    [-1, [], "was low"],
    [1.2, [], "to pour"],
    [1.2, [0.9], "air"],
    [0.6, [0.9, 0.4], "air"],
    [3.5, [0.9, 0.3, 0.1], "lost or in the block"],
    [0.9, [0.9, 0.05, 0], "lost or in the block"],
  ] as [number, number[], string][])("%d L after top-ups of %o is %s", (litres, cycles, said) => {
    expect(unaccountedAs(sums(litres), cycles.length > 0 ? run(...cycles) : undefined)).toBe(said);
  });
});
