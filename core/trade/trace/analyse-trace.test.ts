import { describe, expect, it } from "vitest";
import { inShownTemperatures } from "../../kernel/units/index.ts";
import type { ThermalCar } from "../thermal/index.ts";
import { analyseTrace } from "./analyse-trace.ts";
import { type TraceEvent } from "./analysis.ts";
import { FAN, type SimulatedLog, simulated } from "./log.fixture.ts";

const single = (onC = 98): Pick<ThermalCar, "opensC" | "fans"> => ({
  opensC: 87,
  fans: [{ ...FAN, onC, offC: onC - 6 }],
});

const told = (events: readonly TraceEvent[]) =>
  events.filter((event) => event.kind !== "revs-raised" && event.kind !== "dropout");

/** The last minute of a log may hold an event that hasn't shown yet. */
const SETTLED_S = 60;

describe("analyseTrace finds what truly happened", () => {
  const cases = [1, 2, 5, 10].flatMap((hz) =>
    [-5, 12, 25].flatMap((ambientC) =>
      [82, 87, 92].map((opens, index) => ({
        hz,
        ambientC,
        opens,
        onC: opens + 9 + index,
        seed: hz * 100 + ambientC + opens,
      })),
    ),
  );

  it.each(cases)(
    "$hz a second, $ambientC °C outside, opens $opens, fan $onC",
    ({ hz, ambientC, opens, onC, seed }) => {
      const minutes = 40;
      const log = simulated({
        car: { ...single(onC), opensC: opens },
        ambientC,
        minutes,
        hz,
        seed,
      });
      const found = told(analyseTrace(log.trace, log.spec).events);
      const settled = log.events.filter((event) => event.atS < minutes * 60 - SETTLED_S);
      for (const event of settled) {
        const match = found.find((each) => each.kind === event.kind && Math.abs(each.atS - event.atS) <= 17);
        expect(match, `${event.kind} at ${event.atS}`).toBeDefined();
        expect(Math.abs((match?.coolantC ?? 0) - event.coolantC)).toBeLessThanOrEqual(1.5);
      }
      expect(found.length).toBeLessThanOrEqual(log.events.length);
    },
  );

  it("within 15 s at the median and the 95th of a hundred", () => {
    const errors = cases.flatMap(({ hz, ambientC, opens, onC, seed }) => {
      const log = simulated({
        car: { ...single(onC), opensC: opens },
        ambientC,
        minutes: 40,
        hz,
        seed,
      });
      const found = told(analyseTrace(log.trace, log.spec).events);
      return log.events
        .filter((event) => event.atS < 2340)
        .map((event) =>
          Math.min(
            ...found.filter((each) => each.kind === event.kind).map((each) => Math.abs(each.atS - event.atS)),
          ),
        );
    });
    errors.sort((a, b) => a - b);
    expect(errors[errors.length >> 1]).toBeLessThan(8);
    expect(errors[Math.floor(errors.length * 0.95)]).toBeLessThan(15);
  });
});

describe("analyseTrace judges", () => {
  const judge = (car: Partial<ThermalCar>, minutes = 40, more: Partial<SimulatedLog> = {}) => {
    const log = simulated({ car, ambientC: 20, minutes, seed: 5, ...more });
    return { ...analyseTrace(log.trace, log.spec), log };
  };

  it("a sound car as sound", () => {
    const { checks } = judge(single());
    expect(Object.values(checks).map((check) => check.verdict)).toEqual(Array(7).fill("pass"));
  });

  it("a fan that never runs as failed, and its stop as not seen", () => {
    const { checks } = judge(single(), 40, { faults: ["motor"] });
    expect(checks.fanOn.verdict).toBe("fail");
    expect(checks.fanOff.verdict).toBe("not-seen");
    expect(checks.peak.verdict).toBe("fail");
  });

  it("a log stopped before the fan as not seen, and says how to get there", () => {
    const { checks } = judge(single(106), 16);
    expect(checks.thermostat.verdict).toBe("pass");
    expect(checks.fanOn).toMatchObject({
      verdict: "not-seen",
      because: expect.stringMatching(/2000 to 2500 rpm/),
    });
  });

  it("a thermostat that hangs open, and one that stays shut", () => {
    const thermostat = (draughtKgS: number, faults: string[], minutes: number) =>
      judge({ ...single(), draughtKgS }, minutes, { faults }).checks.thermostat.verdict;
    expect(thermostat(0.15, ["thermostat-open"], 30)).toBe("fail");
    expect(thermostat(0.055, ["thermostat-shut", "motor"], 20)).toBe("fail");
  });

  it("a curve that only levels off little by little as no opening, in 19 of 20 logs", () => {
    const draughts = [0.04, 0.05, 0.06, 0.07, 0.08, 0.09, 0.1, 0.12, 0.15];
    const logs = [1, 2, 3, 4].flatMap((seed) =>
      draughts.map((draught) => {
        const { trace, spec } = simulated({
          car: { ...single(), draughtKgS: draught },
          faults: ["thermostat-open"],
          ambientC: 20,
          minutes: 30,
          seed: seed * 100 + draught * 100,
        });
        return analyseTrace(trace, spec);
      }),
    );
    const invented = logs.filter(({ events }) => events.some(({ kind }) => kind === "thermostat-opens"));
    expect(invented.length).toBeLessThanOrEqual(logs.length / 20);
    expect(logs.filter(({ checks }) => checks.thermostat.verdict === "pass").length).toBeLessThanOrEqual(1);
  });

  it("a thermostat and a fan that act at the wrong temperature, with what the card says", () => {
    const log = simulated({
      car: { ...single(104), opensC: 80 },
      ambientC: 20,
      minutes: 40,
      seed: 9,
    });
    const { checks } = analyseTrace(log.trace, { thermostatOpensC: 88, fanOnC: [96], fanOffC: [90] });
    expect(checks.thermostat).toMatchObject({ verdict: "fail", expected: 88 });
    expect(checks.fanOn).toMatchObject({ verdict: "fail", expected: 96 });
    expect(checks.fanOn.measured).toBeCloseTo(104, 0);
  });

  it("a high stage that was never needed as no fault, and as nothing proven", () => {
    const fans = [...single().fans, { onC: 104, offC: 99, airKgS: 0.5 }];
    const { checks } = judge({ ...single(), fans });
    expect(checks.fanOn.verdict).toBe("not-seen");
    expect(checks.fanOn.because).toMatch(/low stage started .*high stage starts at 104/);
  });

  it("a low stage that only slows the climb never as dead", () => {
    const fans = [
      { onC: 96, offC: 91, airKgS: 0.07 },
      { onC: 102, offC: 97, airKgS: 0.3 },
    ];
    for (const ambientC of [5, 15, 25, 32]) {
      const log = simulated({ car: { ...single(), fans }, ambientC, minutes: 45, seed: ambientC });
      expect(analyseTrace(log.trace, log.spec).checks.fanOn.verdict).not.toBe("fail");
    }
  });

  it("a warm start as not seen, not as a fault", () => {
    const { checks } = judge(single(), 15, { startC: 88 });
    expect([checks.soak.verdict, checks.climb.verdict, checks.thermostat.verdict]).toEqual([
      "not-seen",
      "not-seen",
      "not-seen",
    ]);
  });

  it("a dropped-out signal by its own name and not as a fan", () => {
    const { trace, spec } = simulated({ car: single(), ambientC: 20, minutes: 40, seed: 5 });
    const undropped = told(analyseTrace(trace, spec).events).length;
    trace.coolantC.fill(-40, 700, 704);
    const analysis = analyseTrace(trace, spec);
    expect(analysis.events.filter((event) => event.kind === "dropout")).toHaveLength(1);
    expect(analysis.checks.signal).toMatchObject({
      verdict: "fail",
      because: expect.stringMatching(/open circuit/),
    });
    expect(undropped).toBeGreaterThan(4);
    expect(told(analysis.events).length).toBe(undropped);
  });

  it("a biased sensor by the cold intake air, and raised revs by name", () => {
    const log = simulated({
      car: single(),
      ambientC: 20,
      minutes: 30,
      seed: 5,
      rpm: 820,
      raised: { rpm: 2200, afterMinutes: 5 },
    });
    const biased = { ...log.trace, coolantC: log.trace.coolantC.map((celsius) => celsius - 8) };
    expect(analyseTrace(biased, log.spec).checks.soak.verdict).toBe("fail");
    expect(
      analyseTrace(log.trace, log.spec).events.filter((event) => event.kind === "revs-raised"),
    ).toHaveLength(1);
  });

  it("nothing from figures that can't be a card's", () => {
    const { trace } = simulated({ car: single(), ambientC: 20, minutes: 2, seed: 1 });
    expect(() => analyseTrace(trace, { thermostatOpensC: 900, fanOnC: [], fanOffC: [] })).toThrow(/900 °C/);
    expect(() => analyseTrace(trace, { thermostatOpensC: 88, fanOnC: [98], fanOffC: [] })).toThrow(
      RangeError,
    );
    expect(() => analyseTrace(trace, { thermostatOpensC: 88, fanOnC: [92], fanOffC: [98] })).toThrow(
      /not below/,
    );
  });

  it("differences as differences, in a shop that reads °F", () => {
    const log = simulated({ car: single(), ambientC: 20, minutes: 40, seed: 5 });
    const air = {
      ...log.trace,
      coolantC: log.trace.coolantC.map((celsius, i) => celsius + (i > 500 && i < 512 ? 13 : 0)),
    };
    const radiator = { ...log.spec, fanOnC: [90], fanOffC: [85], fanSenses: "radiator" as const };
    const inUs = (because: string) => inShownTemperatures(because, "us");
    expect(inUs(analyseTrace(air, log.spec).checks.climb.because)).toMatch(/by 2[2-6]\s°F/);
    expect(inUs(analyseTrace(log.trace, radiator).checks.fanOn.because)).toMatch(
      /from 9\s°F .*below to 27\s°F/,
    );
  });
});
