import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { type TraceSpec } from "./analysis.ts";
import { compareTraces } from "./compare-traces.ts";
import { type Trace } from "./trace.ts";
import { runCar, type VirtualCar } from "./virtual-logs/five-nodes.fixture.ts";

// By other equations than the comparison knows: five stores of heat, not one.
const CAR: VirtualCar = {
  metalKJ: 40,
  sumpKJ: 14,
  blockKJ: 26,
  radiatorKJ: 10,
  idleKW: 6,
  revsPower: 1,
  metalKWPerK: 0.5,
  sumpKWPerK: 0.05,
  bareKWPerK: 0.02,
  heaterKWPerK: 0,
  flowKWPerK: 0.8,
  draughtKWPerK: 0.03,
  fanKWPerK: [0.16],
  gustShare: 0,
  thermostat: { opensC: 88, rangeC: 8, lagS: 10, at: "outlet", leak: 0, leastLift: 0, mostLift: 1 },
  fans: [{ onC: 99, offC: 94, works: true, welded: false }],
  fanSenses: "engine",
  sensorLagS: 3,
  switchLagS: 10,
};
const SPEC: TraceSpec = { thermostatOpensC: 88, fanOnC: [99], fanOffC: [94] };

function log(car: VirtualCar, ambientC: number, seed: number, seconds = 3600): Trace {
  const random = seededRandom(seed);
  const drive = { ambientC, startC: ambientC, seconds, revs: [], idleRpm: 800, fastRpm: 0, fastS: 60 };
  const { sensorC, rpms } = runCar(car, drive, random);
  const rows = Math.floor(sensorC.length / 10);
  const each = <Value>(value: (index: number) => Value) =>
    Array.from({ length: rows }, (_, index) => value(index));
  return {
    s: Float64Array.from(each((index) => index)),
    coolantC: Float64Array.from(
      each((index) => Math.round((sensorC[index * 10] ?? 0) + (random() - 0.5) * 2)),
    ),
    intakeC: Float64Array.from(each(() => ambientC)),
    rpm: Float64Array.from(each((index) => rpms[index * 10] ?? 0)),
    marks: [],
  };
}
const compare = (a: Trace, b: Trace) => compareTraces(a, b, { spec: SPEC });
const dead: VirtualCar = { ...CAR, fans: [{ onC: 99, offC: 94, works: false, welded: false }] };
const blocked: VirtualCar = { ...CAR, draughtKWPerK: 0.018, fanKWPerK: [0.1] };

describe("two warm-ups over each other", () => {
  it("of a log and itself differ by nothing", () => {
    const one = log(CAR, 20, 1);
    const { difference, shiftS } = compare(one, one);
    expect(shiftS).toBe(0);
    for (const change of Object.values(difference)) expect(change).toBeCloseTo(0, 9);
  });

  it.each([
    [20, 5],
    [10, 30],
    [30, 12],
    [25, 35],
  ])("of one car in air of %d and %d °C differ by no more than is said", (a, b) => {
    const { difference, because } = compare(log(CAR, a, 2), log(CAR, b, 3));
    expect(Math.abs(difference.climbCPerMin ?? 9), because.join(" ")).toBeLessThan(0.3);
    expect(Math.abs(difference.peakC)).toBeLessThan(2);
    expect(Math.abs(difference.plateauC ?? 99)).toBeLessThan(2);
    if (difference.fanDuty !== undefined) expect(Math.abs(difference.fanDuty)).toBeLessThan(0.15);
  });

  it("without the correction would differ by more", () => {
    const cold = log(CAR, 10, 2);
    const hot = log(CAR, 35, 3);
    const raw = (compare(cold, hot).after.fanDuty ?? 0) - (compare(cold, hot).before.fanDuty ?? 0);
    expect(Math.abs(compare(cold, hot).difference.fanDuty ?? 1)).toBeLessThan(Math.abs(raw));
  });

  it("tell a fan that came back, and a peak that went", () => {
    const { difference, because } = compare(log(dead, 22, 4), log(CAR, 22, 5));
    expect(difference.peakC).toBeLessThan(-5);
    expect(because.join(" ")).toContain("The fan cycles now");
  });

  it("tell a core that was cleared, by the fan's share, in other air too", () => {
    for (const [a, b] of [
      [22, 22],
      [15, 28],
    ] as const)
      expect(compare(log(blocked, a, 6), log(CAR, b, 7)).difference.fanDuty).toBeLessThan(-0.1);
  });

  it("align their knees within 40 s", () => {
    const { before, after, shiftS } = compare(log(CAR, 30, 8), log(CAR, 5, 9));
    expect(shiftS).toBeCloseTo((before.kneeS ?? 0) - (after.kneeS ?? 0), 6);
    expect(shiftS).toBeLessThan(-60);
    expect(Math.abs((before.kneeC ?? 0) - (after.kneeC ?? 99))).toBeLessThan(3);
  });

  it("need no card for the knee, and say where the air isn't known", () => {
    const { before, because } = compareTraces(
      { ...log(CAR, 20, 10), intakeC: undefined },
      { ...log(CAR, 20, 11), intakeC: undefined },
    );
    expect(before.kneeC).toBeGreaterThan(80);
    expect(because[0]).toMatch(/not known/);
  });

  it.each([[{ ambientA: 99 }], [{ ambientB: Number.NaN }]])("refuse air of %j", (given) => {
    const one = log(CAR, 20, 1, 300);
    expect(() => compareTraces(one, one, given)).toThrow(RangeError);
  });
});
