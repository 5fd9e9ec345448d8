import { seededRandom } from "../../kernel/chance/index.ts";
import type { Trace } from "../trace/index.ts";
import { Fans } from "./fans.ts";
import {
  BLOCK,
  type Conditions,
  FIGURES,
  HeatFlows,
  IN_KJ,
  LIFT,
  LITRES,
  METAL,
  OUT_KJ,
  RADIATOR,
  SENSOR,
  TANK_SENSOR,
} from "./heat-flows.ts";
import { checkScript, type Script } from "./script.ts";
import type { ThermalCar } from "./thermal-car.ts";
import { withFaults } from "./with-faults.ts";

/** What really happened, beside what a log shows of it. */
export interface ThermalTruth {
  events: ThermalEvent[];
  /** A figure a row of the log. */
  metalC: Float64Array;
  blockC: Float64Array;
  radiatorC: Float64Array;
  /** How far the thermostat is open, 0 to 1. */
  lift: Float64Array;
  /** How many stages of the fan run. */
  stages: Float64Array;
  airKgS: Float64Array;
  engineKW: Float64Array;
  radiatorKW: Float64Array;
  heaterKW: Float64Array;
  litres: Float64Array;
  boilsC: number;
  energy: { inKJ: number; outKJ: number; storedKJ: number };
}

export interface ThermalEvent {
  kind: "thermostat-opens" | "fan-on" | "fan-off" | "boils";
  atS: number;
  /** What its sensor felt, unrounded, °C. */
  coolantC: number;
  stage?: number;
}

export interface SimulateTerms {
  /** Step of the calculation, 0.01 to 0.5 s. */
  dtS?: number;
  seed?: number;
  /** Rows a second in the log, 0.1 to 10. */
  hz?: number;
  /** The sensor as it feels, neither rounded nor jittering: for whoever holds one run against another. */
  isExact?: boolean;
}

const OPENED = 0.03;
const JITTERS = 0.12;
const INTAKE_WARMS_C = 8;
const INTAKE_WARMS_S = 900;
const STILL: Omit<Conditions, "ambientC" | "rpm"> = { kmh: 0, loadKW: 0, heater: 0, isCooling: false };

/** One step of classical Runge and Kutta's fourth order, from `y` into `y`. */
function stepper(flows: HeatFlows) {
  const [a, b, c, d, probe] = Array.from({ length: 5 }, () => new Float64Array(FIGURES)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  return (y: Float64Array, dt: number): void => {
    flows.rates(y, a);
    for (let i = 0; i < FIGURES; i++) probe[i] = (y[i] as number) + (dt / 2) * (a[i] as number);
    flows.rates(probe, b);
    for (let i = 0; i < FIGURES; i++) probe[i] = (y[i] as number) + (dt / 2) * (b[i] as number);
    flows.rates(probe, c);
    for (let i = 0; i < FIGURES; i++) probe[i] = (y[i] as number) + dt * (c[i] as number);
    flows.rates(probe, d);
    for (let i = 0; i < FIGURES; i++)
      y[i] =
        (y[i] as number) +
        (dt / 6) * ((a[i] as number) + 2 * (b[i] as number) + 2 * (c[i] as number) + (d[i] as number));
  };
}

/**
 * A cooling system put through a script, with none, one or more faults of `core/trade/diagnosis`: metal, coolant of the block and of the
 * radiator, thermostat with lag and hysteresis, pump by revs, core by effectiveness and NTU, fans with their sensor. The log is as a
 * diagnostic port tells it: whole degrees C with ±1 °C of jitter, seconds; the truth beside it. Classical RK4; the same seed, the same
 * log. Throws a RangeError for a script that no car goes through, an unknown fault, a step outside 0.01 to 0.5 s.
 * Good enough to recognise, not to design by: figures not on a car's card are estimates. Source of the core's part: Kays and London,
 * Compact Heat Exchangers.
 */
export function simulate(
  sound: ThermalCar,
  script: Script,
  faults: readonly string[] = [],
  { dtS = 0.1, seed = 1, hz = 1, isExact = false }: SimulateTerms = {},
): { trace: Trace; truth: ThermalTruth } {
  checkScript(script);
  if (!(dtS >= 0.01 && dtS <= 0.5)) throw new RangeError(`A step of ${dtS} s: 0.01 to 0.5 can be.`);
  if (!(hz >= 0.1 && hz <= 10)) throw new RangeError(`${hz} rows a second: 0.1 to 10 can be.`);
  const car = withFaults(sound, faults);
  const flows = new HeatFlows(car, script.altitudeM ?? 0);
  const fans = new Fans(car);
  const step = stepper(flows);
  const random = seededRandom(seed);
  const every = Math.max(1, Math.round(1 / (hz * dtS)));
  const counts = script.steps.map(({ minutes }) => Math.round((minutes * 60) / dtS));
  const rows = Math.floor(counts.reduce((sum, count) => sum + count, 0) / every) + 1;
  const column = () => new Float64Array(rows);
  const trace = { s: column(), coolantC: column(), intakeC: column(), rpm: column(), radiatorOutC: column() };
  const shown = {
    metalC: column(),
    blockC: column(),
    radiatorC: column(),
    lift: column(),
    stages: column(),
    airKgS: column(),
    engineKW: column(),
    radiatorKW: column(),
    heaterKW: column(),
    litres: column(),
  };
  const events: ThermalEvent[] = [];
  const startC = script.startC ?? script.ambientC;
  const y = new Float64Array(FIGURES).fill(startC, METAL, TANK_SENSOR + 1);
  y[LIFT] = car.leastLift;
  y[LITRES] = car.litres;
  y[IN_KJ] = 0;
  y[OUT_KJ] = 0;
  const heldAtFirst = flows.heldKJ(y);
  const seen = new Float64Array(FIGURES);
  let at = 0;
  let row = 0;
  const opened = Math.max(OPENED, car.leastLift + 0.01);
  let isOpen = false;
  let isBoiling = false;
  let runS = 0;

  const write = (now: Conditions) => {
    flows.rates(y, seen);
    const jitter = isExact || random() >= JITTERS ? 0 : random() < 0.5 ? -1 : 1;
    const felt = (y[SENSOR] as number) + car.sensorBiasC;
    const rough = (value: number) => (isExact ? value : Math.round(value));
    trace.s[row] = at * dtS;
    trace.coolantC[row] = car.sensorShowsC ?? rough(felt) + jitter;
    trace.intakeC[row] = rough(now.ambientC + INTAKE_WARMS_C * (1 - Math.exp(-runS / INTAKE_WARMS_S)));
    trace.rpm[row] = now.rpm === 0 ? 0 : Math.round(now.rpm + (isExact ? 0 : 24 * (random() - 0.5)));
    trace.radiatorOutC[row] = rough(y[RADIATOR] as number);
    shown.metalC[row] = y[METAL] as number;
    shown.blockC[row] = y[BLOCK] as number;
    shown.radiatorC[row] = y[RADIATOR] as number;
    shown.lift[row] = y[LIFT] as number;
    shown.stages[row] = fans.count(now);
    shown.airKgS[row] = flows.airKgS;
    shown.engineKW[row] = flows.engineKW;
    shown.radiatorKW[row] = flows.radiatorKW;
    shown.heaterKW[row] = flows.heaterKW;
    shown.litres[row] = y[LITRES] as number;
    row++;
  };
  const happens = (kind: ThermalEvent["kind"], s: number, coolantC: number, stage?: number) =>
    events.push({ kind, atS: s, coolantC, ...(stage !== undefined && { stage: stage + 1 }) });

  const kept = new Float64Array(FIGURES);
  /** So much on, cut where a fan switches on the way. */
  const go = (now: Conditions, s: number, dt: number, goes = 0): void => {
    kept.set(y);
    const before = fans.feltAt(y);
    step(y, dt);
    const crossed = goes < 8 ? fans.crossing(before, fans.feltAt(y)) : undefined;
    if (!crossed) return;
    y.set(kept);
    const part = dt * crossed.share;
    if (part > 0) step(y, part);
    const { isOn, isHeard } = fans.toggle(crossed.stage);
    flows.through(now, fans.airKgS(now));
    const isCalled = now.isCooling && crossed.stage === 0;
    if (isHeard && !isCalled) happens(isOn ? "fan-on" : "fan-off", s + part, fans.feltAt(y), crossed.stage);
    if (dt - part > 1e-9) go(now, s + part, dt - part, goes + 1);
  };

  for (const [index, given] of script.steps.entries()) {
    const now: Conditions = { ambientC: script.ambientC, ...STILL, ...given };
    flows.through(now, fans.airKgS(now));
    for (let count = counts[index] as number; count > 0; count--) {
      if (at % every === 0) write(now);
      go(now, at * dtS, dtS);
      at++;
      runS = now.rpm > 0 ? runS + dtS : 0;
      if (!isOpen && (y[LIFT] as number) > opened) {
        isOpen = true;
        happens("thermostat-opens", at * dtS, (y[SENSOR] as number) + car.sensorBiasC);
      }
      if (!isBoiling && (y[BLOCK] as number) > flows.boilsC) {
        isBoiling = true;
        happens("boils", at * dtS, (y[SENSOR] as number) + car.sensorBiasC);
      }
    }
    if (index === script.steps.length - 1 && at % every === 0) write(now);
  }
  return {
    trace: { ...trace, marks: [] },
    truth: {
      events,
      ...shown,
      boilsC: flows.boilsC,
      energy: {
        inKJ: y[IN_KJ] as number,
        outKJ: y[OUT_KJ] as number,
        storedKJ: flows.heldKJ(y) - heldAtFirst,
      },
    },
  };
}
