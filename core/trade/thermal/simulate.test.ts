import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { samples } from "../../samples.fixture.ts";
import { CARD } from "../car/cooling-card.fixture.ts";
import { boilMarginC } from "../coolant/index.ts";
import { HYPOTHESES } from "../diagnosis/knowledge/index.ts";
import { analyseTrace } from "../trace/index.ts";
import {
  carOf,
  FAULT_IDS,
  SCRIPTS,
  type Script,
  type ScriptName,
  simulate,
  type ThermalCar,
  USUAL_CAR,
  withFaults,
} from "./index.ts";

const names = Object.keys(SCRIPTS) as ScriptName[];
const hottest = (figures: Float64Array) => figures.reduce((most, each) => Math.max(most, each), -Infinity);
const peak = (script: Script, faults: string[] = [], car: ThermalCar = USUAL_CAR) =>
  hottest(simulate(car, script, faults, { isExact: true, hz: 0.2 }).truth.blockC);
const idle = (minutes: number, ambientC = 18): Script => ({ ambientC, steps: [{ minutes, rpm: 800 }] });

describe("a cooling system put through a script", () => {
  it("keeps its energy within a thousandth, sound and with any fault, boiling and losing coolant too", () => {
    for (const [at, id] of FAULT_IDS.entries()) {
      const { energy } = simulate(USUAL_CAR, SCRIPTS[names[at % names.length] as ScriptName], [id], {
        dtS: 0.5,
      }).truth;
      expect(Math.abs(energy.inKJ - energy.outKJ - energy.storedKJ)).toBeLessThan(0.001 * energy.inKJ);
    }
  });

  it.each(names)("moves by less than 0.05 °C where its step is halved: %s", (name) => {
    const at = (dtS: number) => simulate(USUAL_CAR, SCRIPTS[name], [], { dtS, isExact: true }).truth;
    const [whole, half] = [at(0.1), at(0.05)];
    for (const figure of ["metalC", "blockC", "radiatorC"] as const)
      for (const [row, value] of whole[figure].entries())
        expect(Math.abs(value - (half[figure][row] ?? Number.NaN))).toBeLessThan(0.05);
  });

  it("cools, shut off from its core, as one lump loses heat into the air: by its own time constant", () => {
    const shut: ThermalCar = { ...USUAL_CAR, leastLift: 0, mostLift: 0, couplingKWPerK: 5 };
    const off: Script = { ambientC: 20, startC: 90, steps: [{ minutes: 120, rpm: 0 }] };
    const { blockC } = simulate(shut, off, [], { isExact: true }).truth;
    // Metal and what stands in the block, over what the surface sheds; the core's water stays out of it.
    const timeS = (shut.metalKJPerK + 0.6 * shut.litres * 3.6) / shut.surfaceKWPerK;
    const left = ((blockC.at(-1) ?? 0) - 20) / 70;
    expect(left).toBeCloseTo(Math.exp(-7200 / timeS), 2);
  });

  it("boils where its coolant does under its cap, and boils off what its heat can", () => {
    const { truth } = simulate(USUAL_CAR, idle(60, 35), ["thermostat-shut"], { isExact: true });
    const { boilsC } = boilMarginC({
      base: "ethylene",
      fraction: 0.5,
      capGaugeKPa: 110,
      altitudeM: 0,
      coolantC: 90,
    });
    const boiled = truth.events.find(({ kind }) => kind === "boils");
    expect(boiled?.coolantC).toBeGreaterThan(boilsC - 1);
    expect(hottest(truth.blockC)).toBeLessThan(boilsC + 1);
    const seconds = 3600 - (boiled?.atS ?? 3600);
    const lost = USUAL_CAR.litres - (truth.litres.at(-1) ?? 0);
    const most = (seconds * USUAL_CAR.idleKW) / 2150;
    // What the surface sheds, and the metal still takes, boils nothing.
    expect(lost).toBeGreaterThan(0.25 * most);
    expect(lost).toBeLessThan(most);
    expect(peak(idle(60, 35), ["thermostat-shut", "cap-weak"])).toBeLessThan(boilsC - 10);
  });

  it("goes its way slower in the cold, and never past what its card says without a reason", () => {
    const warmAt = (ambientC: number) =>
      simulate(USUAL_CAR, idle(40, ambientC), [], { isExact: true }).truth.events[0]?.atS ?? Infinity;
    expect(warmAt(-10)).toBeGreaterThan(warmAt(10));
    expect(warmAt(10)).toBeGreaterThan(warmAt(30));
    for (const name of names) expect(peak(SCRIPTS[name])).toBeLessThan(112);
  });
});

describe("a fault", () => {
  const queue = SCRIPTS["school queue at 38 °C"];
  const road = SCRIPTS.motorway;
  const climb = SCRIPTS["pass climb with a trailer"];

  it("is there for everything that a diagnosis knows", () => {
    expect([...FAULT_IDS].sort()).toEqual(HYPOTHESES.map(({ id }) => id).sort());
  });

  it.each(["fuse", "motor", "switch-open", "relay-contacts", "clutch-slips", "fan-backwards"])(
    "of the fan shows standing still and not on the road: %s",
    (id) => {
      expect(peak(queue, [id]) - peak(queue)).toBeGreaterThan(5);
      expect(Math.abs(peak(road, [id]) - peak(road))).toBeLessThan(2);
    },
  );

  it.each(["core-blocked-inside", "core-blocked-outside", "pump-weak", "hose-collapsed", "belt-slack"])(
    "of flow or core shows on the climb: %s",
    (id) => {
      expect(peak(climb, [id]) - peak(climb)).toBeGreaterThan(3);
    },
  );

  it("of the thermostat keeps it cold, or boils it; a late one opens late", () => {
    expect(peak(road, ["thermostat-open"])).toBeLessThan(75);
    expect(peak(idle(45), ["thermostat-open"])).toBeLessThan(peak(idle(45)) - 5);
    expect(peak(road, ["thermostat-shut"])).toBeGreaterThan(120);
    const opens = (faults: string[]) =>
      simulate(USUAL_CAR, idle(45), faults).truth.events.find(({ kind }) => kind === "thermostat-opens");
    expect((opens(["thermostat-lazy"])?.coolantC ?? 0) - (opens([])?.coolantC ?? 0)).toBeGreaterThan(5);
  });

  it("that runs the fan always keeps it from its plateau's cycles, and one that reads low starts it late", () => {
    const hot: Script = { ambientC: 30, steps: [{ minutes: 60, rpm: 2400 }] };
    const starts = (faults: string[]) =>
      simulate(USUAL_CAR, hot, faults).truth.events.filter(({ kind }) => kind === "fan-on");
    expect(starts([]).length).toBeGreaterThan(2);
    expect(starts(["relay-welded"])).toEqual([]);
    expect(peak(hot, ["sensor-biased"]) - peak(hot)).toBeGreaterThan(6);
  });

  it.each([
    ["relay-welded", "ac-trigger"],
    ["hose-collapsed", "belt-slack"],
    ["low-coolant", "air-lock"],
    ["leak-hose", "leak-pump"],
  ])("beside another undoes nothing of it, whichever came first: %s, %s", (one, other) => {
    const car = { ...USUAL_CAR, fans: [...USUAL_CAR.fans, { onC: 103, offC: 97, airKgS: 0.5 }] };
    const both = [withFaults(car, [one, other]), withFaults(car, [other, one])].map(
      ({ heldFans, pumpMostRpm, litres, leakLPerH }) => ({
        held: [...new Set(heldFans)].sort(),
        pumpMostRpm,
        litres,
        leakLPerH,
      }),
    );
    expect(both[0]).toEqual(both[1]);
  });

  it("that leaks loses what it says while it is hot, and nothing cold", () => {
    const lost = (script: Script) =>
      USUAL_CAR.litres - (simulate(USUAL_CAR, script, ["leak-hose"]).truth.litres.at(-1) ?? 0);
    expect(lost({ ambientC: 20, steps: [{ minutes: 60, rpm: 0 }] })).toBe(0);
    expect(lost({ ambientC: 20, startC: 90, steps: [{ minutes: 60, rpm: 800 }] })).toBeCloseTo(1.5, 1);
  });
});

describe("a log of it", () => {
  it("is the same for a seed, in whole degrees, and read by the log reader without failing a sound car", () => {
    const random = seededRandom(24);
    let openings = 0;
    let near = 0;
    const cars = samples(5, 14);
    for (let each = 0; each < cars; each++) {
      const onC = 96 + Math.floor(random() * 8);
      const capacityL = 6 + 5 * random();
      const car = carOf(
        {
          ...CARD,
          capacityL,
          targetFraction: 0.5,
          capGaugeKpa: 110,
          thermostatOpensC: 87,
          fanOnC: [onC],
          fanOffC: [onC - 6],
          fanSenses: "engine",
        },
        { draughtKgS: 0.03 + 0.04 * random() },
      );
      const script = { ambientC: -5 + 38 * random(), steps: [{ minutes: 50, rpm: 800 + 100 * random() }] };
      const { trace, truth } = simulate(car, script, [], { seed: each });
      const again = simulate(car, script, [], { seed: each }).trace;
      expect(again.coolantC.every((value, row) => value === trace.coolantC[row])).toBe(true);
      expect(trace.coolantC.every(Number.isInteger)).toBe(true);
      const spec = { thermostatOpensC: 87, fanOnC: [onC], fanOffC: [onC - 6], restedH: 12 };
      const { checks, events } = analyseTrace(trace, spec);
      for (const [name, { verdict }] of Object.entries(checks)) expect([name, verdict]).not.toContain("fail");
      for (const { kind, atS, coolantC } of truth.events.filter((event) => event.kind !== "boils")) {
        const seen = events.find((event) => event.kind === kind && Math.abs(event.atS - atS) <= 15);
        openings++;
        if (seen && Math.abs(seen.coolantC - coolantC) <= 1.5) near++;
      }
    }
    expect(openings).toBeGreaterThan(1.7 * cars);
    expect(near / openings).toBeGreaterThan(0.9);
  });

  it.each([
    [{ ...idle(10), ambientC: 70 }, "the air"],
    [idle(0), "minutes"],
    [{ ambientC: 20, steps: [{ minutes: 5, rpm: 20_000 }] }, "revs"],
    [{ ambientC: 20, steps: [] }, "altogether"],
    [idle(481), "minutes"],
  ])("is refused of what no car goes through: %j", (script, words) => {
    expect(() => simulate(USUAL_CAR, script)).toThrow(RangeError);
    expect(() => simulate(USUAL_CAR, script)).toThrow(words);
  });

  it("is refused of a fault or a step that nobody knows", () => {
    expect(() => simulate(USUAL_CAR, idle(5), ["gremlins"])).toThrow(RangeError);
    expect(() => simulate(USUAL_CAR, idle(5), ["toString"])).toThrow(RangeError);
    expect(() => simulate(USUAL_CAR, idle(5), [], { dtS: 5 })).toThrow(RangeError);
  });
});
