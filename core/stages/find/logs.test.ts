import { describe, expect, it } from "vitest";
import { book } from "../../book/entry/book.fixture.ts";
import { analyseTrace, type Trace, type TraceSpec } from "../../trade/trace/index.ts";
import { FAN, type SimulatedLog, simulated } from "../../trade/trace/log.fixture.ts";
import { resultsOf } from "./results.ts";

const CARD: TraceSpec = { thermostatOpensC: 87, fanOnC: [98], fanOffC: [92] };

/** The outcomes that a booked log of this car would give, judged by the card. */
function told(log: Partial<SimulatedLog>, minutes = 40) {
  return toldBy(simulated({ ambientC: 20, minutes, seed: 5, ...log }).trace);
}

function toldBy(trace: Trace, card = CARD) {
  const { checks, peakC } = analyseTrace(trace, card);
  const log = {
    stage: "prove",
    kind: "reading",
    item: "warm-up log",
    data: { logId: "l", checks, peakC },
  } as const;
  return Object.fromEntries(resultsOf(book([log])).map(({ test, outcome }) => [test, outcome]));
}

describe("what a judged log says to the tests of Find", () => {
  it("of a sound car: fan as the card, thermostat as the card, sensor agrees cold", () => {
    expect(told({})).toEqual({ "warm-up": "as-card", "thermostat-watch": "opens", "live-cold": "agree" });
  });

  it("of a dead fan: past the start, no fan", () => {
    expect(told({ faults: ["motor"] })["warm-up"]).toBe("no-fan");
  });

  it("of a fan that starts ten degrees late: elsewhere", () => {
    expect(told({ car: { fans: [{ ...FAN, onC: 108, offC: 102 }] } })["warm-up"]).toBe("elsewhere");
  });

  it("of a log that stopped too soon: never got there", () => {
    expect(told({}, 17)["warm-up"]).toBe("never-there");
  });

  it("of a sensor that never spoke: the sensor, and nothing of thermostat or fan", () => {
    const { trace } = simulated({ ambientC: 20, minutes: 20, seed: 5 });
    trace.coolantC.fill(-40);
    expect(toldBy(trace)).toEqual({ "live-cold": "coldest" });
    trace.coolantC.fill(215);
    expect(toldBy(trace)).toEqual({ "live-cold": "hottest" });
  });

  it("of a sensor that lies after a night: apart, and no wrong thermostat", () => {
    const { trace } = simulated({ ambientC: 20, minutes: 40, seed: 5 });
    const lying = { ...trace, coolantC: trace.coolantC.map((celsius) => celsius + 11) };
    expect(toldBy(lying, { ...CARD, restedH: 12 })).toEqual({ "live-cold": "apart" });
  });

  it("of two stages where the high one was never needed: as the card", () => {
    const fans = [FAN, { onC: 106, offC: 100, airKgS: 0.5 }];
    const { trace } = simulated({ car: { fans }, ambientC: 20, minutes: 40, seed: 5 });
    expect(toldBy(trace, { ...CARD, fanOnC: [98, 106], fanOffC: [92, 100] })["warm-up"]).toBe("as-card");
  });

  it("of thermostats that hang open, stay shut and open at the wrong place", () => {
    expect(told({ car: { draughtKgS: 0.2 }, faults: ["thermostat-open"] }, 30)["thermostat-watch"]).toBe(
      "early",
    );
    expect(told({ faults: ["thermostat-shut"] }, 20)["thermostat-watch"]).toBe("never");
    expect(told({ car: { opensC: 78 } })["thermostat-watch"]).toBe("late");
  });
});
