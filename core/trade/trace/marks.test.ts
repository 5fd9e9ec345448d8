import { describe, expect, it } from "vitest";
import { analyseTrace } from "./analyse-trace.ts";
import { simulated } from "./log.fixture.ts";
import { witnesses } from "./marks.ts";
import { type Mark } from "./trace.ts";

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
    ["heater off", { kind: "heater-off", s: 60 }],
    ["Heater fan off", { kind: "heater-off", s: 60 }],
  ])("%s", (what, expected) => expect(said(what)).toEqual([expected]));

  it("names the stage where the card has two, and leaves it open where the words do", () => {
    expect(said("fan low on", 2)).toEqual([{ kind: "fan-on", s: 60, stage: 1 }]);
    expect(said("high fan on", 2)).toEqual([{ kind: "fan-on", s: 60, stage: 2 }]);
    expect(said("fan on", 2)).toEqual([{ kind: "fan-on", s: 60 }]);
    expect(said("high fan on", 1)).toEqual([{ kind: "fan-on", s: 60 }]);
  });

  it("keeps the heater's fan apart from the radiator's", () => {
    expect(said("fan on, heater off")).toEqual([
      { kind: "heater-off", s: 60 },
      { kind: "fan-on", s: 60, stage: 1 },
    ]);
    for (const what of ["heater on fan off", "heater on and fan off", "heater fan on; fan stopped"])
      expect(said(what), what).toEqual([
        { kind: "heater-on", s: 60 },
        { kind: "fan-off", s: 60, stage: 1 },
      ]);
    expect(said("heater hot and fan off")).toEqual([{ kind: "fan-off", s: 60, stage: 1 }]);
    for (const what of ["heater not off", "heater full hot"]) expect(said(what)).toEqual([]);
  });

  it("is none where the bench says what was done to it", () => {
    for (const what of [
      "bench: in it: fan's own plug burnt or off",
      "bench: in it: fan runs backwards; heater off",
    ])
      expect(said(what)).toEqual([]);
  });

  it.each(["bubbles stopped", "heater hot", "top hose not hot yet", "fan", ""])("nothing from “%s”", (what) =>
    expect(said(what)).toEqual([]),
  );
});

describe("marks count", () => {
  const fans = [
    { onC: 94, offC: 89, airKgS: 0.02 },
    { onC: 102, offC: 97, airKgS: 0.3 },
  ];
  /** Five readings a second, so that marks fall between the reader's seconds. */
  const marked = (marks: Mark[], faults: string[] = []) => {
    const { trace, spec, events } = simulated({
      car: { opensC: 84, fans },
      faults,
      ambientC: 20,
      minutes: 40,
      hz: 5,
      seed: 11,
    });
    return { ...analyseTrace({ ...trace, marks }, spec), real: events };
  };

  it("a low stage that a person heard is an event at the temperature of that moment", () => {
    const lowAt = marked([]).real.find(({ kind, stage }) => kind === "fan-on" && stage === 1)?.atS ?? 0;
    const { events } = marked([{ s: lowAt + 2.4, what: "fan low on" }]);
    const heard = events.find(({ kind, stage }) => kind === "fan-on" && stage === 1);
    expect(Math.abs((heard?.atS ?? 0) - lowAt)).toBeLessThan(40);
    expect(Math.abs((heard?.coolantC ?? 0) - 94)).toBeLessThan(2);
  });

  it("nobody hearing a fan well past its start fails it, at the temperature of that moment", () => {
    const dead = ["motor"];
    const hot = marked([], dead);
    const { trace } = simulated({
      car: { opensC: 84, fans },
      faults: dead,
      ambientC: 20,
      minutes: 40,
      hz: 5,
      seed: 11,
    });
    const at = trace.s[trace.coolantC.findIndex((celsius) => celsius >= 104)] ?? 0;
    const { checks } = marked([{ s: at + 0.4, what: "no fan" }], dead);
    expect(hot.checks.fanOn.verdict).toBe("fail");
    expect(checks.fanOn).toMatchObject({ verdict: "fail", failing: "never" });
    expect(checks.fanOn.because).toMatch(/listened at 10[2-5] °C and heard no fan; the low stage/);
  });
});
