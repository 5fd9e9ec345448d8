import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { samples } from "../../samples.fixture.ts";
import { type Script, simulate, type ThermalCar, USUAL_CAR } from "../thermal/index.ts";
import type { Trace } from "../trace/index.ts";
import { AS_ITS_OWN, type CarFit, carAs, type Fitted, fitCar, ownCar, TOLD } from "./index.ts";

const STANDING: Script = {
  ambientC: 14,
  steps: [
    { minutes: 20, rpm: 1500 },
    { minutes: 12, rpm: 2400 },
  ],
};
const SOUND: Fitted = {
  opensC: 87,
  passes: 1,
  air: 1,
  onC: 98,
  offC: 92,
  biasC: 0,
  heat: 1,
  ambientC: 14,
  startC: 14,
  ...AS_ITS_OWN,
};
const logged = (became: Partial<Fitted>, { seed = 3, hz = 1, script = STANDING, car = USUAL_CAR } = {}) =>
  simulate(carAs(car, { ...SOUND, ...became }), script, [], { seed, hz }).trace;
const cut = (trace: Trace, toS: number): Trace => {
  const rows = trace.s.findLastIndex((s) => s <= toS) + 1;
  const short = (column: Float64Array | undefined) => column?.subarray(0, rows) as Float64Array;
  return {
    s: short(trace.s),
    coolantC: short(trace.coolantC),
    intakeC: short(trace.intakeC),
    rpm: short(trace.rpm),
    marks: [],
  };
};
const toldOf = (fit: CarFit | undefined) => TOLD.filter((name) => fit?.figures[name].isTold);
const figureOf = (fit: CarFit | undefined, name: (typeof TOLD)[number]) => {
  const figure = fit?.figures[name];
  return figure?.isTold ? figure.value : Number.NaN;
};

describe("fitting a car to its log", () => {
  it.each([
    { opensC: 84, passes: 0.64, air: 0.95, onC: 97, offC: 91, biasC: 2 },
    { opensC: 89.5, passes: 0.95, air: 0.7, onC: 99.5, offC: 94, biasC: -2.5 },
  ])("finds again what became of it: $passes of its heat, $air of its air", (became) => {
    const fit = fitCar(logged(became, { seed: 11, hz: 2 }), USUAL_CAR, { restedH: 10 });
    expect(fit?.isRedrawn).toBe(true);
    for (const [name, truth] of Object.entries(became)) {
      const figure = fit?.figures[name as keyof typeof became];
      if (!figure?.isTold) throw new Error(`${name} isn't told`);
      expect(Math.abs(figure.value - truth)).toBeLessThanOrEqual(3 * figure.error);
      expect(Math.abs(figure.value - truth)).toBeLessThanOrEqual(truth < 2 ? 0.05 * truth + 1 : 1);
    }
    expect(Math.abs(figureOf(fit, "passes") / became.passes - 1)).toBeLessThan(0.05);
  });

  it("tells a share that is the heat truly passed a degree, whichever way a core is shut", () => {
    // Leaves before it alone: less air, the tubes as they were; the model of a shut face has both.
    const outside: ThermalCar = { ...USUAL_CAR, airShare: 0.62 };
    const passed = (car: ThermalCar) => {
      const { truth } = simulate(car, STANDING, [], { isExact: true });
      let [sum, count] = [0, 0];
      truth.stages.forEach((stages, row) => {
        if (stages === 0) return;
        sum += (truth.radiatorKW[row] as number) / ((truth.blockC[row] as number) - STANDING.ambientC);
        count++;
      });
      return sum / count;
    };
    const truly = passed(outside) / passed(USUAL_CAR);
    const fit = fitCar(simulate(outside, STANDING, [], { seed: 5 }).trace, USUAL_CAR, { restedH: 10 });
    expect(Math.abs(figureOf(fit, "passes") - truly)).toBeLessThan(0.06);
  });

  it("says of a log that is too short what can't be told, and why, and makes nothing up", () => {
    const whole = logged({});
    expect(fitCar(cut(whole, 100), USUAL_CAR)).toBeUndefined();
    const early = fitCar(cut(whole, 420), USUAL_CAR, { restedH: 10 });
    expect(toldOf(early)).toEqual(["biasC"]);
    expect(early?.figures.opensC).toMatchObject({ because: expect.stringMatching(/before the thermostat/) });
    expect(early?.figures.passes).toMatchObject({ because: expect.stringMatching(/hasn't opened/) });
    expect(early?.figures.onC).toMatchObject({ because: expect.stringMatching(/fan's start/) });
  });

  it("tells no sensor by a log without the air that goes in, nor by one of a warm engine", () => {
    const { intakeC: _, ...bare } = logged({});
    const blind = fitCar(bare, USUAL_CAR, { restedH: 10 });
    expect(blind?.figures.biasC).toMatchObject({ because: expect.stringMatching(/air that goes in/) });
    expect(blind?.figures.passes.isTold).toBe(true);
    const warm = fitCar(logged({}, { script: { ...STANDING, startC: 60 } }), USUAL_CAR, { restedH: 1 });
    expect(warm?.figures.biasC).toMatchObject({ because: expect.stringMatching(/cold start/) });
  });

  it("hears of its progress, rising to the whole, and is ended by what hears it", () => {
    const heard: number[] = [];
    const trace = cut(logged({}), 500);
    fitCar(trace, USUAL_CAR, { onProgress: (share) => heard.push(share) });
    expect(heard.at(-1)).toBe(1);
    expect(heard).toEqual([...heard].sort((a, b) => a - b));
    const left = () => {
      throw new Error("left");
    };
    expect(() => fitCar(trace, USUAL_CAR, { onProgress: left })).toThrow("left");
  });

  it("tells nothing hot of a log that no engine drew, and never throws", () => {
    const row = fc.record({
      step: fc.double({ min: 0.2, max: 30, noNaN: true }),
      coolantC: fc.integer({ min: -40, max: 215 }),
    });
    fc.assert(
      fc.property(fc.array(row, { minLength: 20, maxLength: 60 }), (rows) => {
        let at = 0;
        const s = Float64Array.from(rows, ({ step }) => {
          at += step;
          return at;
        });
        const fit = fitCar(
          { s, coolantC: Float64Array.from(rows, (each) => each.coolantC), marks: [] },
          USUAL_CAR,
        );
        expect(toldOf(fit)).toEqual([]);
      }),
      { numRuns: samples(4, 12) },
    );
  });

  it("goes by what a sensor showed where it wasn't gone for a moment", () => {
    const log = logged({ passes: 0.7 });
    const gone = { ...log, coolantC: log.coolantC.map((value, row) => (row % 400 < 3 ? -40 : value)) };
    const fit = fitCar(gone, USUAL_CAR, { restedH: 10 });
    expect(Math.abs(figureOf(fit, "passes") - 0.7)).toBeLessThan(0.04);
  });

  it("of a fan that is dead tells no start and no air", () => {
    const { trace } = simulate(USUAL_CAR, STANDING, ["motor"], { seed: 4 });
    const fit = fitCar(trace, USUAL_CAR, { restedH: 10 });
    for (const name of ["onC", "offC", "air"] as const) expect(toldOf(fit)).not.toContain(name);
    expect(Math.abs(figureOf(fit, "passes") - 1)).toBeLessThan(0.1);
  });
});

describe("a car's own good log", () => {
  it("makes one of a card's: a later log is held against what it was then", () => {
    // A car that its card knows little of: other metal, another draught, a slower wax.
    const real: ThermalCar = { ...USUAL_CAR, metalKJPerK: 66, draughtKgS: 0.07, waxLagS: 18, idleKW: 6 };
    const own = ownCar(logged({}, { car: real, seed: 21 }), USUAL_CAR);
    if ("because" in own) throw new Error(own.because);
    const later = { ambientC: 4, startC: 4 };
    const log = logged(
      { ...later, passes: 0.7 },
      { car: real, seed: 22, script: { ...STANDING, ambientC: 4 } },
    );
    expect(Math.abs(figureOf(fitCar(log, own.car), "passes") - 0.7)).toBeLessThan(0.06);
  });

  it("that no such car draws is none to hold another against", () => {
    const boiling = simulate(USUAL_CAR, STANDING, ["thermostat-shut", "motor"], { seed: 4 }).trace;
    const spoilt = {
      ...boiling,
      coolantC: boiling.coolantC.map((value, row) => value + 12 * Math.sin(row / 40)),
    };
    expect(ownCar(spoilt, USUAL_CAR)).toMatchObject({ because: expect.stringMatching(/not well enough/) });
  });
});
