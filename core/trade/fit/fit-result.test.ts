import { describe, expect, it } from "vitest";
import type { FitLine } from "./fit-line.ts";
import { fitResult } from "./fit-result.ts";

const line = (what: string, verdict: FitLine["verdict"], more: Partial<FitLine> = {}): FitLine => ({
  ...{ what, verdict, old: "1", new: "2", extraMinutes: 0 },
  ...more,
});

describe("what comes of comparing two units", () => {
  it.each([
    [[], "unknown", "not-seen"],
    [[line("width", "same")], "same", "pass"],
    [
      [line("width", "same"), line("pegs", "adapt", { remedy: "drill", extraMinutes: 15 })],
      "with remedies",
      "pass",
    ],
    // What isn't measured yet is no fit, whatever else can be helped; what can't be helped is none at all.
    [[line("pegs", "adapt", { remedy: "drill" }), line("depth", "not-seen")], "not all measured", "not-seen"],
    [[line("depth", "not-seen"), line("necks", "stop")], "stops", "fail"],
  ] as [FitLine[], string, string][])("%#: is told by the worst of its lines", (lines, fits, verdict) => {
    expect(fitResult(lines)).toMatchObject({ fits, verdict });
  });

  it("adds minutes up, and tells for the book what differs", () => {
    const found = fitResult([
      line("width", "same"),
      line("pegs", "adapt", { remedy: "Drill them.", extraMinutes: 15 }),
      line("bracket", "adapt", { remedy: "Slot it.", extraMinutes: 10, part: "washer" }),
    ]);
    expect(found.extraMinutes).toBe(25);
    expect(found.words).toBe("pegs: adapt. Drill them. bracket: adapt. Slot it.");
    expect(found.remedies.map(({ what, part }) => [what, part])).toEqual([
      ["pegs", undefined],
      ["bracket", "washer"],
    ]);
    expect(fitResult([line("width", "same")]).words).toBe("The same in all that was measured.");
    expect(fitResult(Array.from({ length: 300 }, () => line("width", "stop"))).words.length).toBe(1900);
  });
});
