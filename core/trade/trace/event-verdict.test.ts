import { describe, expect, it } from "vitest";
import type { Verdict } from "../../kernel/verdict/index.ts";
import type { TraceAnalysis, TraceEvent, TraceSpec } from "./analysis.ts";
import { cardLines } from "./card-lines.ts";
import { eventVerdict } from "./event-verdict.ts";

const TWO: TraceSpec = { thermostatOpensC: 88, fanOnC: [94, 101], fanOffC: [89, 96] };
const said = (verdict: Verdict) => ({ verdict, because: "" });
const checks = (fanOn: Verdict) =>
  ({ thermostat: said("pass"), fanOn: said(fanOn), fanOff: said("not-seen") }) as TraceAnalysis["checks"];
const on = (stage: number, coolantC: number): TraceEvent => ({ kind: "fan-on", atS: 600, stage, coolantC });

describe("what a log says of one event", () => {
  it("lets each stage speak for itself where one of them failed", () => {
    const ofFailed = (event: TraceEvent, spec = TWO) => eventVerdict(event, { checks: checks("fail") }, spec);
    expect(ofFailed(on(1, 95))).toBe("pass");
    expect(ofFailed(on(2, 107))).toBe("fail");
    expect(ofFailed(on(3, 95))).toBe("fail");
    expect(ofFailed(on(1, 100), { ...TWO, toleranceC: 8 })).toBe("pass");
    expect(ofFailed(on(1, 95), { ...TWO, fanSenses: "radiator" })).toBe("fail");
  });

  it("says no more than its check does", () => {
    expect(eventVerdict(on(1, 95), { checks: checks("not-seen") }, TWO)).toBe("not-seen");
    expect(eventVerdict({ kind: "dropout", atS: 5, coolantC: 20 }, { checks: checks("pass") }, TWO)).toBe(
      "fail",
    );
  });
});

describe("the card's figures beside a curve", () => {
  it("are named by stage where there are two, and belong elsewhere where the radiator is felt", () => {
    expect(cardLines(TWO).map(({ words }) => words)).toEqual([
      "opens",
      "low on",
      "high on",
      "low off",
      "high off",
    ]);
    const one = cardLines({ thermostatOpensC: 88, fanOnC: [92], fanOffC: [87], fanSenses: "radiator" });
    expect(one.map(({ words, isElsewhere }) => [words, isElsewhere])).toEqual([
      ["opens", false],
      ["fan on", true],
      ["fan off", true],
    ]);
  });
});
