import { describe, expect, it } from "vitest";
import { samples } from "../../samples.fixture.ts";
import { BENCH_CARS, thermalCarOf } from "../bench/index.ts";
import { traceSpecOf } from "../car/index.ts";
import { SCRIPTS, type Script, simulate } from "../thermal/index.ts";
import { analyseTrace, type Trace } from "./index.ts";
import { SOUND_KINDS, virtualLog } from "./virtual-logs/index.fixture.ts";

const HEATER_OFF = [{ s: 60, what: "heater off" }];

const driven = new Map<string, Trace>();
/** A car's log by other equations than the reader's; the same one again for other marks. */
function logOf(car: (typeof BENCH_CARS)[number], script: Script, faults: string[]): Trace {
  const key = JSON.stringify([car.key, script, faults]);
  const trace = driven.get(key) ?? simulate(thermalCarOf(car), script, faults, { seed: 17 }).trace;
  driven.set(key, trace);
  return trace;
}

/** A warm-up of every car of the bench. The lorry takes half an hour to say anything. */
const warmUps = (script: Script, faults: string[], marks: typeof HEATER_OFF = []) =>
  BENCH_CARS.filter(({ key }) => key !== "drover").map((car) => {
    const trace = logOf(car, script, faults);
    const { checks } = analyseTrace({ ...trace, marks }, traceSpecOf(car.card, 12));
    return { key: car.key, check: checks.thermostat };
  });
const idling = (ambientC: number, heater = 0): Script => ({
  ambientC,
  steps: [{ minutes: 30, rpm: 850, heater }],
});

describe("a thermostat that hangs open", () => {
  it("is told from a climb that would have settled far too low, once somebody said that the heater was off", () => {
    const open = warmUps(idling(21), ["thermostat-open"], HEATER_OFF).map(({ check }) => check);
    const called = open.filter(({ verdict }) => verdict === "fail");
    expect(called.length).toBeGreaterThanOrEqual(4);
    expect(called.some(({ because }) => /would have settled/.test(because))).toBe(true);
    for (const { failing } of called) expect(failing).toBe("early");
    for (const { key, check } of warmUps(idling(21), [], HEATER_OFF))
      expect(check.verdict, key).not.toBe("fail");
  });

  it("is never taken for a heater that is half on, in any air, as one is while air is let out", () => {
    for (const ambientC of [-4, 12, 22, 30])
      for (const { key, check } of warmUps(idling(ambientC, 0.5), []))
        expect(check.verdict, `${key} at ${ambientC} °C`).not.toBe("fail");
    const said = warmUps(idling(21), ["thermostat-open"]).map(({ check }) => check);
    expect(
      said.some(({ verdict, because }) => verdict === "not-seen" && /heater that is on/.test(because)),
    ).toBe(true);
  });

  it("is not told of a heater that was turned off late, or on again: it has taken its heat by then", () => {
    const late = [{ s: 1500, what: "heater off" }];
    const again = [...HEATER_OFF, { s: 200, what: "heater on" }];
    const open = warmUps(idling(21), ["thermostat-open"], HEATER_OFF);
    for (const marks of [late, again]) {
      const fails = warmUps(idling(21), ["thermostat-open"], marks).filter(({ check }) =>
        /would have settled/.test(check.verdict === "fail" ? check.because : ""),
      );
      expect(fails).toEqual([]);
      for (const { key, check } of warmUps(idling(21, 0.5), [], marks))
        expect(check.verdict, key).not.toBe("fail");
    }
    expect(open.some(({ check }) => check.verdict === "fail")).toBe(true);
  });

  it("is not found in a car that is driven", () => {
    for (const script of Object.values(SCRIPTS))
      for (const { key, check } of warmUps({ ...script, ambientC: 16 }, [], HEATER_OFF))
        expect(check.verdict, key).not.toBe("fail");
  });

  it("is found in no sound five-node car, and in many that have it", () => {
    let called = 0;
    const cars = samples(20, 80);
    for (let seed = 0; seed < cars; seed++) {
      const { trace, spec } = virtualLog("plain", "stuck-open", 640_000 + seed);
      const { thermostat } = analyseTrace({ ...trace, marks: HEATER_OFF }, spec).checks;
      if (thermostat.verdict === "fail") called++;
    }
    expect(called).toBeGreaterThan(cars / 2);
    const sound = samples(5, 20);
    for (const kind of SOUND_KINDS.filter((each) => each !== "heater" && each !== "mix"))
      for (let seed = 0; seed < sound; seed++) {
        const { trace, spec, name } = virtualLog(kind, undefined, 660_000 + seed);
        const { thermostat } = analyseTrace({ ...trace, marks: HEATER_OFF }, spec).checks;
        expect(thermostat.verdict, name).not.toBe("fail");
      }
  });
});
