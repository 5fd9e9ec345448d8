import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { analyseTrace } from "./analyse-trace.ts";
import { type TraceSpec } from "./analysis.ts";
import { type Trace } from "./trace.ts";

const SPEC: TraceSpec = { thermostatOpensC: 87, fanOnC: [98], fanOffC: [92] };
const trace = (s: number[], coolantC: number[], more: Partial<Trace> = {}): Trace => ({
  s: Float64Array.from(s),
  coolantC: Float64Array.from(coolantC),
  marks: [],
  ...more,
});
const climb = trace(
  Array.from({ length: 600 }, (_, i) => i),
  Array.from({ length: 600 }, (_, i) => 20 + i / 10),
);

/** Every figure that an analysis holds. */
function figures(value: unknown): number[] {
  if (typeof value === "number") return [value];
  return value && typeof value === "object" ? Object.values(value).flatMap(figures) : [];
}

describe("input that can't be a log or a card", () => {
  it.each<[string, Trace, TraceSpec, RegExp]>([
    ["times that fall", trace([0, 2, 1], [20, 20, 20]), SPEC, /falls from 2 s to 1 s in row 3/],
    ["a time that is none", trace([0, Number.NaN, 2], [20, 20, 20]), SPEC, /time NaN in row 2/],
    [
      "an endless time",
      trace([0, 1, Number.POSITIVE_INFINITY], [20, 20, 20]),
      SPEC,
      /time Infinity in row 3/,
    ],
    [
      "an endless temperature",
      trace([0, 1, 2], [20, Number.POSITIVE_INFINITY, 20]),
      SPEC,
      /coolant Infinity/,
    ],
    ["too few rows", trace([0], [20]), SPEC, /too few/],
    ["a column too short", trace([0, 1], [20, 20], { rpm: new Float64Array(1) }), SPEC, /rpm has 1 figures/],
    ["a tolerance that is none", climb, { ...SPEC, toleranceC: Number.NaN }, /tolerance of NaN/],
    ["a rest that is none", climb, { ...SPEC, restedH: Number.NaN }, /NaN hours/],
    ["off above on", climb, { ...SPEC, fanOffC: [99] }, /not below its start/],
    [
      "stages in the wrong order",
      climb,
      { ...SPEC, fanOnC: [98, 96], fanOffC: [92, 90] },
      /not above the stage/,
    ],
    ["an absurd opening", climb, { ...SPEC, thermostatOpensC: 900 }, /900 °C on the card/],
  ])("%s: one readable RangeError", (_, log, spec, said) => {
    expect(() => analyseTrace(log, spec)).toThrow(RangeError);
    expect(() => analyseTrace(log, spec)).toThrow(said);
  });

  it("a sensor that never spoke: nothing passes, and the sensor is pointed at", () => {
    for (const stuckC of [-40, 215, Number.NaN]) {
      const { checks, events, peakC } = analyseTrace(
        trace([0, 1, 2, 3], [stuckC, stuckC, stuckC, stuckC]),
        SPEC,
      );
      expect(checks.signal).toMatchObject({ verdict: "fail", because: expect.stringMatching(/sensor/) });
      const others = Object.entries(checks).filter(([name]) => name !== "signal");
      expect(others.map(([, { verdict }]) => verdict)).toEqual(Array(6).fill("not-seen"));
      expect(events.every(({ kind }) => kind === "dropout")).toBe(true);
      expect(Number.isFinite(peakC)).toBe(true);
    }
  });

  it("a sensor that read truly once is no short circuit", () => {
    const { checks } = analyseTrace(trace([0, 1, 2], [Number.NaN, 45, Number.NaN]), SPEC);
    expect(checks.signal).toMatchObject({
      verdict: "fail",
      because: expect.stringMatching(/single reading/),
    });
    expect(checks.signal.measured).toBeUndefined();
  });

  it("a sensor that woke up hot after twenty minutes was not hot at the start", () => {
    const s = Array.from({ length: 2000 }, (_, i) => i);
    const late = trace(
      s,
      s.map((at) => (at < 1200 ? -40 : 90)),
      { intakeC: Float64Array.from(s, () => 20) },
    );
    const { checks } = analyseTrace(late, { ...SPEC, restedH: 12 });
    expect(checks.soak.verdict).toBe("not-seen");
    expect(checks.signal.verdict).toBe("fail");
  });

  it("whatever figures come, no NaN and no infinity go out", () => {
    const celsius = fc.oneof(
      { weight: 6, arbitrary: fc.double({ min: -40, max: 140, noNaN: true }) },
      fc.constantFrom(-40, 215, Number.NaN, -273, 1e6),
    );
    const log = fc
      .array(fc.tuple(fc.double({ min: 0, max: 400, noNaN: true }), celsius, celsius), {
        minLength: 2,
        maxLength: 80,
      })
      .map((rows) => {
        let s = 0;
        const times = rows.map(([step]) => {
          s += step;
          return s;
        });
        const intakeC = Float64Array.from(rows, ([, , intake]) => intake);
        const coolant = rows.map(([, coolantC]) => coolantC);
        return trace(times, coolant, { intakeC, rpm: intakeC.map((each) => each * 20) });
      });
    fc.assert(
      fc.property(log, fc.constantFrom(undefined, 2, 12), (each, restedH) => {
        const { events, checks, peakC } = analyseTrace(each, { ...SPEC, ...(restedH ? { restedH } : {}) });
        expect(figures({ events, checks, peakC }).every(Number.isFinite)).toBe(true);
        for (const { because } of Object.values(checks))
          expect(because).not.toMatch(/NaN|Infinity|undefined/);
      }),
      { numRuns: 300 },
    );
  });
});
