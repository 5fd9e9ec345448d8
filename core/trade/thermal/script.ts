import type { Conditions } from "./heat-flows.ts";

/** What happens to a car for some minutes. What isn't said is as standing still at idle. */
export interface ScriptStep {
  minutes: number;
  /** Turns a minute; 0 is an engine that is off. */
  rpm: number;
  kmh?: number;
  /** Power at the shaft, kW. */
  loadKW?: number;
  /** How far the heater is open, 0 to 1. */
  heater?: number;
  /** Air conditioning: it calls the first stage of the fan, and warms the air before the core. */
  isCooling?: boolean;
  ambientC?: number;
}

export interface Script {
  ambientC: number;
  altitudeM?: number;
  /** Everything at that to begin with; the air's own temperature where nothing is said. */
  startC?: number;
  steps: readonly ScriptStep[];
}

const IDLE = 800;
const at = (ambientC: number, steps: readonly ScriptStep[]): Script => ({ ambientC, steps });
const again = (count: number, steps: readonly ScriptStep[]) =>
  Array.from({ length: count }, () => steps).flat();

/** What cars are put through: by name, for the bench and for what is asked of a repair. */
export const SCRIPTS = {
  "cold start and idle": at(18, [{ minutes: 45, rpm: IDLE }]),
  "raised revs": at(18, [
    { minutes: 10, rpm: IDLE },
    ...again(6, [
      { minutes: 4, rpm: 2500 },
      { minutes: 2, rpm: IDLE },
    ]),
  ]),
  traffic: at(24, [
    ...again(12, [
      { minutes: 2, rpm: 1600, kmh: 25, loadKW: 5 },
      { minutes: 2, rpm: IDLE },
    ]),
  ]),
  "school queue at 38 °C": at(38, [
    { minutes: 15, rpm: 2200, kmh: 50, loadKW: 10, isCooling: true },
    { minutes: 30, rpm: IDLE, isCooling: true },
  ]),
  "pass climb with a trailer": at(28, [
    { minutes: 15, rpm: 2200, kmh: 70, loadKW: 14 },
    { minutes: 25, rpm: 3200, kmh: 50, loadKW: 55 },
    { minutes: 10, rpm: IDLE },
  ]),
  motorway: at(25, [
    { minutes: 10, rpm: 1800, kmh: 50, loadKW: 8 },
    { minutes: 40, rpm: 3000, kmh: 130, loadKW: 28 },
  ]),
  "cool-down with heat soak": at(20, [
    { minutes: 25, rpm: 2200, kmh: 70, loadKW: 14 },
    { minutes: 90, rpm: 0 },
  ]),
} as const satisfies Record<string, Script>;

export type ScriptName = keyof typeof SCRIPTS;

/** What a car goes through in a step: standing still, nothing drawn, where the step says nothing else. */
export const stillAt = (ambientC: number, step: Partial<ScriptStep> = {}): Conditions => ({
  ambientC: step.ambientC ?? ambientC,
  rpm: step.rpm ?? 0,
  kmh: step.kmh ?? 0,
  loadKW: step.loadKW ?? 0,
  heater: step.heater ?? 0,
  isCooling: step.isCooling ?? false,
});

const within = (name: string, value: number, least: number, most: number): number => {
  if (!(value >= least && value <= most))
    throw new RangeError(`${name} is ${value}: ${least} to ${most} can be.`);
  return value;
};

/** Throws a RangeError, with the value and its range, for what no car is put through. Eight hours at most. */
export function checkScript({ ambientC, altitudeM = 0, startC = ambientC, steps }: Script): void {
  within("the air, °C,", ambientC, -40, 55);
  within("the start, °C,", startC, -40, 130);
  within("the altitude, m,", altitudeM, -400, 5000);
  let minutes = 0;
  for (const step of steps) {
    minutes += within("a step's minutes", step.minutes, 0.01, 480);
    within("revs a minute", step.rpm, 0, 8000);
    within("km/h", step.kmh ?? 0, 0, 250);
    within("the load, kW,", step.loadKW ?? 0, 0, 400);
    within("the heater", step.heater ?? 0, 0, 1);
    within("the air, °C,", step.ambientC ?? ambientC, -40, 55);
  }
  within("the minutes altogether", minutes, 0.1, 480);
}
