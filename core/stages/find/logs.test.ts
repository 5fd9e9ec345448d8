import { describe, expect, it } from "vitest";
import { book } from "../../book/entry/book.fixture.ts";
import type { WarmUpCar } from "../../trade/thermal/index.ts";
import { analyseTrace, type Trace, type TraceSpec } from "../../trade/trace/index.ts";
import { simulated } from "../../trade/trace/log.fixture.ts";
import { resultsOf } from "./results.ts";

const CARD: TraceSpec = { thermostatOpensC: 87, fanOnC: [98], fanOffC: [92] };
const CAR: WarmUpCar = { thermostatOpensC: 87, draught: 0.3, fans: [{ onC: 98, offC: 92, air: 1.3 }] };

/** The outcomes that a booked log of this car would give, judged by the card. */
function told(car: Partial<WarmUpCar>, minutes = 40) {
  return toldBy(simulated({ car: { ...CAR, ...car }, ambientC: 20, minutes, seed: 5 }).trace);
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
    expect(told({ fans: [{ onC: 98, offC: 92, air: 1.3, dead: true }] })["warm-up"]).toBe("no-fan");
  });

  it("of a fan that starts ten degrees late: elsewhere", () => {
    expect(told({ fans: [{ onC: 108, offC: 102, air: 1.3 }] })["warm-up"]).toBe("elsewhere");
  });

  it("of a log that stopped too soon: never got there", () => {
    expect(told({}, 17)["warm-up"]).toBe("never-there");
  });

  it("of a sensor that never spoke: the sensor, and nothing of thermostat or fan", () => {
    const { trace } = simulated({ car: CAR, ambientC: 20, minutes: 20, seed: 5 });
    trace.coolantC.fill(-40);
    expect(toldBy(trace)).toEqual({ "live-cold": "coldest" });
    trace.coolantC.fill(215);
    expect(toldBy(trace)).toEqual({ "live-cold": "hottest" });
  });

  it("of a sensor that lies after a night: apart, and no wrong thermostat", () => {
    const { trace } = simulated({ car: CAR, ambientC: 20, minutes: 40, seed: 5 });
    const lying = { ...trace, coolantC: trace.coolantC.map((celsius) => celsius + 11) };
    expect(toldBy(lying, { ...CARD, restedH: 12 })).toEqual({ "live-cold": "apart" });
  });

  it("of two stages where the high one was never needed: as the card", () => {
    const fans = [
      { onC: 98, offC: 92, air: 1.3 },
      { onC: 106, offC: 100, air: 1.3 },
    ];
    const { trace } = simulated({ car: { ...CAR, fans }, ambientC: 20, minutes: 40, seed: 5 });
    expect(toldBy(trace, { ...CARD, fanOnC: [98, 106], fanOffC: [92, 100] })["warm-up"]).toBe("as-card");
  });

  it("of thermostats that hang open, stay shut and open at the wrong place", () => {
    expect(told({ thermostat: "held-open", draught: 0.6 }, 30)["thermostat-watch"]).toBe("early");
    expect(told({ thermostat: "stuck-shut" }, 20)["thermostat-watch"]).toBe("never");
    expect(told({ thermostatOpensC: 78 })["thermostat-watch"]).toBe("late");
  });
});
