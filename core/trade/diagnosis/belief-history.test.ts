import { describe, expect, it } from "vitest";
import { beliefHistory } from "./belief-history.ts";
import { CIRCUITS, modelOf } from "./knowledge/index.ts";
import { posterior } from "./posterior.ts";

const model = modelOf(CIRCUITS["switch-1"]);
const evidence = [
  { test: "fuses", outcome: "sound" },
  { test: "jumper", outcome: "runs" },
  { test: "switch-pot", outcome: "never" },
];

describe("how belief came about", () => {
  it("starts before the first result, has a step for each, and ends where belief stands", () => {
    const steps = beliefHistory(model, evidence);
    expect(steps.map(({ test }) => test)).toEqual([undefined, "fuses", "jumper", "switch-pot"]);
    expect(steps[0]?.belief).toEqual(posterior(model, []));
    expect(steps.at(-1)?.belief).toEqual(posterior(model, evidence));
    for (const { belief } of steps)
      expect(Object.values(belief).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
  });

  it("shows the fuse falling at the meter and the switch rising at the pot", () => {
    const [before, meter, jumper, pot] = beliefHistory(model, evidence).map(({ belief }) => belief);
    expect(meter?.fuse).toBeLessThan((before?.fuse ?? 0) / 5);
    expect(pot?.["switch-open"]).toBeGreaterThan((jumper?.["switch-open"] ?? 1) + 0.2);
  });
});
