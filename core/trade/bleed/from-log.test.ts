import { describe, expect, it } from "vitest";
import { coolDown } from "./cool-down.ts";
import { readingsOf } from "./from-log.ts";

/** An hour of cooling towards 20 °C, a row every two seconds. */
const cooling = (fromC: number, tauS = 3600, seconds = 3600) => {
  const s = Array.from({ length: seconds / 2 + 1 }, (_, index) => index * 2);
  return { s, coolantC: s.map((at) => Math.round(20 + (fromC - 20) * Math.exp(-at / tauS))) };
};

describe("a log of an engine that cools", () => {
  it("becomes a dozen readings by the clock, the last of them its end", () => {
    const readings = readingsOf(cooling(95), { endedAtS: 10_000, sinceS: 0 });
    expect(readings).toHaveLength(12);
    expect(readings[0]?.atS).toBeCloseTo(6400, 6);
    for (const { atS, coolantC } of readings)
      expect(Math.abs(coolantC - (20 + 75 * Math.exp(-(atS - 6400) / 3600)))).toBeLessThan(0.8);
  });

  it("never opens a cap, however cold it ends", () => {
    for (const [fromC, tauS] of [
      [120, 3600],
      [95, 1500],
      [80, 900],
      [55, 600],
      [45, 3600],
    ] as const) {
      const readings = readingsOf(cooling(fromC, tauS), { endedAtS: 10_000, sinceS: 0 });
      expect(coolDown(readings, { ranUntilS: 6400 }).safeNow).not.toBe("pass");
    }
  });

  it("leaves out what was logged while the engine ran, and a sensor that is open or short", () => {
    const log = cooling(95);
    log.coolantC[10] = -40;
    log.coolantC[11] = 215;
    const readings = readingsOf(log, { endedAtS: 10_000, sinceS: 8200 });
    expect(readings[0]?.atS).toBeCloseTo(8200, 6);
    for (const { coolantC } of readings) expect(coolantC).toBeLessThan(70);
    expect(readings.length).toBeGreaterThan(1);
  });

  it.each([
    [{ s: [], coolantC: [] }, 0],
    [{ s: [0], coolantC: [60] }, 1],
    [{ s: [0, 1], coolantC: [Number.NaN, Number.NaN] }, 0],
    [{ s: [0, 1], coolantC: [-40, -40] }, 0],
  ])("of %j is %d readings", (log, count) =>
    expect(readingsOf(log, { endedAtS: 100, sinceS: 0 })).toHaveLength(count),
  );

  it("that ended before the engine was shut off says nothing", () =>
    expect(readingsOf(cooling(95), { endedAtS: 10_000, sinceS: 10_001 })).toEqual([]));
});
