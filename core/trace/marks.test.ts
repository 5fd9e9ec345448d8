import { describe, expect, it } from "vitest";
import { witnesses } from "./marks.ts";

describe("what a person's mark says", () => {
  const said = (what: string, stages = 1) => witnesses([{ s: 60, what }], stages);

  it.each([
    ["fan on", { kind: "fan-on", s: 60, stage: 1 }],
    ["Fan kicks in", { kind: "fan-on", s: 60, stage: 1 }],
    ["fan stops", { kind: "fan-off", s: 60, stage: 1 }],
    ["fan cut out", { kind: "fan-off", s: 60, stage: 1 }],
    ["no fan", { kind: "fan-none", s: 60 }],
    ["fan not running", { kind: "fan-none", s: 60 }],
    ["top hose hot", { kind: "hose-hot", s: 60 }],
  ])("%s", (what, expected) => expect(said(what)).toEqual([expected]));

  it("names the stage where the card has two, and leaves it open where the words do", () => {
    expect(said("fan low on", 2)).toEqual([{ kind: "fan-on", s: 60, stage: 1 }]);
    expect(said("high fan on", 2)).toEqual([{ kind: "fan-on", s: 60, stage: 2 }]);
    expect(said("fan on", 2)).toEqual([{ kind: "fan-on", s: 60 }]);
    expect(said("high fan on", 1)).toEqual([{ kind: "fan-on", s: 60 }]);
  });

  it.each(["bubbles stopped", "heater hot", "top hose not hot yet", "fan", ""])("nothing from “%s”", (what) =>
    expect(said(what)).toEqual([]),
  );
});
