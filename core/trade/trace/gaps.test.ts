import { beforeAll, describe, expect, it } from "vitest";
import { analyseTrace } from "./analyse-trace.ts";
import { CHECKS, type CheckName, type TraceSpec } from "./analysis.ts";
import { cardLines } from "./card-lines.ts";
import { eventVerdict } from "./event-verdict.ts";
import { FAULTS, SOUND_KINDS, virtualLog } from "./virtual-logs/index.fixture.ts";
import { score } from "./virtual-logs/score.fixture.ts";

const withoutOpening = ({ thermostatOpensC: _, ...rest }: TraceSpec): TraceSpec => rest;
const withoutStops = (spec: TraceSpec): TraceSpec => ({ ...spec, fanOffC: spec.fanOnC.map(() => null) });
const GAPS: { name: string; gap: (spec: TraceSpec) => TraceSpec; unsaid: CheckName[] }[] = [
  { name: "no opening", gap: withoutOpening, unsaid: ["thermostat"] },
  {
    name: "an opening of null",
    gap: (spec) => ({ ...spec, thermostatOpensC: null }),
    unsaid: ["thermostat"],
  },
  { name: "no stop", gap: withoutStops, unsaid: ["fanOff"] },
  { name: "neither", gap: (spec) => withoutStops(withoutOpening(spec)), unsaid: ["thermostat", "fanOff"] },
];
const CARS = 40;

/** Each log with what is judged of it by the whole card; sound ones and faulty ones in turn. */
let logs: { log: ReturnType<typeof virtualLog>; whole: ReturnType<typeof analyseTrace> }[];
beforeAll(() => {
  logs = Array.from({ length: 2 * CARS }, (_, car) => {
    const fault = car % 2 ? FAULTS[car % FAULTS.length] : undefined;
    const log = virtualLog(SOUND_KINDS[car % SOUND_KINDS.length] ?? "plain", fault, 5_200_000 + car);
    return { log, whole: analyseTrace(log.trace, log.spec) };
  });
});

describe.each(GAPS)("a card with $name", ({ gap, unsaid }) => {
  it(`judges ${CARS} sound and ${CARS} faulty logs by the rest, fails no sound car, and says what it doesn't know`, () => {
    let same = 0;
    let judged = 0;
    for (const [car, { log, whole }] of logs.entries()) {
      const partly = analyseTrace(log.trace, gap(log.spec));
      expect(score(log, partly).falseAlarms, `car ${car}`).toEqual([]);
      for (const check of CHECKS) {
        const { verdict, because, expected } = partly.checks[check];
        if (unsaid.includes(check) && log.spec.fanOnC.length > 0) {
          if (whole.checks.soak.verdict !== "fail" && partly.events.length > 0)
            expect(`${verdict} ${because}`, check).toMatch(/^not-seen .*card doesn't say/);
          expect(expected, "nothing is held against a figure that nobody said").toBeUndefined();
          continue;
        }
        judged++;
        if (verdict === whole.checks[check].verdict) same++;
        if (verdict === "fail") expect(whole.checks[check].verdict, `${check}, car ${car}`).toBe("fail");
      }
    }
    expect(same / judged).toBeGreaterThan(0.97);
  });
});

describe("what the card doesn't say", () => {
  const spec: TraceSpec = { fanOnC: [98, 104], fanOffC: [92, null] };

  it("is drawn as no line", () => {
    expect(cardLines(spec).map(({ words }) => words)).toEqual(["low on", "high on", "low off"]);
  });

  it("fails no stop of its stage where another stage's is wrong", () => {
    const checks = { fanOff: { verdict: "fail" } } as Parameters<typeof eventVerdict>[1]["checks"];
    const stop = (stage: number) => ({ kind: "fan-off" as const, atS: 900, coolantC: 99, stage });
    expect(eventVerdict(stop(1), { checks }, spec)).toBe("fail");
    expect(eventVerdict(stop(2), { checks }, spec)).toBe("not-seen");
  });

  it("leaves a peak without a limit where neither a fan's start nor the opening is known", () => {
    const log = virtualLog("plain", undefined, 5_300_001);
    const { checks } = analyseTrace(log.trace, { fanOnC: [], fanOffC: [] });
    expect(checks.peak.verdict).toBe("not-seen");
    expect(checks.peak.because).toMatch(/neither where the thermostat opens nor where a fan starts/);
  });
});
