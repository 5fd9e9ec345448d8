import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { simulateWarmUp, type WarmUpCar } from "./simulate-warm-up.ts";

const CAR: WarmUpCar = { thermostatOpensC: 87, draught: 0.3, fans: [{ onC: 98, offC: 92, air: 1.3 }] };
const run = (car: Partial<WarmUpCar> = {}, ambientC = 18, minutes = 40, seed = 3) =>
  simulateWarmUp({ car: { ...CAR, ...car }, ambientC, minutes, seed });

describe("seededRandom", () => {
  it("repeats itself for a seed, differs for another, and fills 0 to 1 evenly", () => {
    const draw = (seed: number) => Array.from({ length: 5000 }, seededRandom(seed));
    expect(draw(4)).toEqual(draw(4));
    expect(draw(4)).not.toEqual(draw(5));
    const figures = draw(4);
    expect(Math.min(...figures)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...figures)).toBeLessThan(1);
    for (let tenth = 0; tenth < 10; tenth++) {
      const share = figures.filter((figure) => Math.floor(figure * 10) === tenth).length / figures.length;
      expect(Math.abs(share - 0.1)).toBeLessThan(0.02);
    }
  });
});

describe("a simulated warm-up", () => {
  it("is the same for the same seed and starts at the air's temperature in whole degrees", () => {
    expect(run().rows).toEqual(run().rows);
    expect(run().rows.every(({ coolantC }) => Number.isInteger(coolantC))).toBe(true);
    expect(Math.abs((run({}, 5).rows[0]?.coolantC ?? 99) - 5)).toBeLessThanOrEqual(1);
  });

  it("opens, starts and stops where the car says, in that order", () => {
    const { events } = run();
    expect(events.map(({ kind }) => kind).slice(0, 3)).toEqual(["thermostat-opens", "fan-on", "fan-off"]);
    for (const event of events) {
      const wanted = event.kind === "fan-on" ? 98 : event.kind === "fan-off" ? 92 : 87;
      expect(Math.abs(event.coolantC - wanted)).toBeLessThan(1.5);
    }
  });

  it("stays between the air and what a dead fan lets it reach", () => {
    const hottest = (rows: { coolantC: number }[]) => Math.max(...rows.map(({ coolantC }) => coolantC));
    const dead = run({ fans: [{ onC: 98, offC: 92, air: 1.3, dead: true }] });
    expect(hottest(dead.rows)).toBeGreaterThan(hottest(run().rows));
    expect(dead.events.some(({ kind }) => kind === "fan-on")).toBe(false);
    expect(Math.min(...run().rows.map(({ coolantC }) => coolantC))).toBeGreaterThanOrEqual(16);
  });

  it("warms slower on a cold day and with a thermostat that hangs open, and never opens one that is stuck", () => {
    const heatAt = (rows: { s: number; coolantC: number }[], s: number) =>
      rows.find((row) => row.s >= s)?.coolantC ?? 0;
    expect(heatAt(run({}, -10).rows, 600)).toBeLessThan(heatAt(run({}, 25).rows, 600));
    expect(heatAt(run({ thermostat: "held-open" }).rows, 900)).toBeLessThan(heatAt(run().rows, 900));
    expect(run({ thermostat: "stuck-shut" }).events.some(({ kind }) => kind === "thermostat-opens")).toBe(
      false,
    );
  });

  it("refuses a length nobody logs", () => {
    for (const minutes of [0, 241, Number.NaN]) expect(() => run({}, 18, minutes)).toThrow(RangeError);
  });
});
