import { describe, expect, it } from "vitest";
import { BENCH_CARS, thermalCarOf } from "../bench/index.ts";
import { traceSpecOf } from "../car/index.ts";
import { simulate } from "../thermal/index.ts";
import { analyseTrace } from "./index.ts";
import { SOUND_KINDS, virtualLog } from "./virtual-logs/index.fixture.ts";
import { isShown } from "./virtual-logs/shown.fixture.ts";

/** A warm-up at idle in air of so many degrees, of every car of the bench, by other equations than the reader's. */
const warmUps = (ambientC: number, faults: string[], heater = 0) =>
  BENCH_CARS.filter(({ key }) => key !== "drover").map(({ key, card, own }) => {
    const script = { ambientC, steps: [{ minutes: 30, rpm: 850, heater }] };
    const { trace } = simulate(thermalCarOf({ card, own }), script, faults, { seed: 17 });
    return { key, check: analyseTrace(trace, traceSpecOf(card, 12)).checks.thermostat };
  });

describe("a thermostat that hangs open", () => {
  it("is called from a climb that would have settled far too low, on most cars and never on a sound one", () => {
    for (const { key, check } of warmUps(21, [])) expect(check.verdict, key).not.toBe("fail");
    const open = warmUps(21, ["thermostat-open"]);
    const called = open.filter(({ check }) => check.verdict === "fail");
    expect(called.length).toBeGreaterThanOrEqual(4);
    expect(called.some(({ check }) => /would have settled/.test(check.because))).toBe(true);
    for (const { check } of called) expect(check.failing).toBe("early");
  });

  it("is not called in the cold, where a heater takes as much: not seen, and how to tell", () => {
    for (const { key, check } of warmUps(-4, [], 1)) expect(check.verdict, key).not.toBe("fail");
    const open = warmUps(-4, ["thermostat-open"]).map(({ check }) => check);
    expect(open.some(({ verdict, because }) => verdict === "not-seen" && /Heater off/.test(because))).toBe(
      true,
    );
  });

  it("is called of most five-node cars whose log shows it, and of none that is sound", () => {
    let [shown, called] = [0, 0];
    for (let seed = 0; seed < 120; seed++) {
      const log = virtualLog(seed % 2 ? "mix" : "plain", "stuck-open", 640_000 + seed);
      if (!isShown(log)) continue;
      shown++;
      if (analyseTrace(log.trace, log.spec).checks.thermostat.verdict === "fail") called++;
    }
    expect(shown).toBeGreaterThan(50);
    expect(called / shown).toBeGreaterThan(0.68);
    for (const kind of SOUND_KINDS)
      for (let seed = 0; seed < 20; seed++) {
        const log = virtualLog(kind, undefined, 660_000 + seed);
        expect(analyseTrace(log.trace, log.spec).checks.thermostat.verdict, log.name).not.toBe("fail");
      }
  });
});
