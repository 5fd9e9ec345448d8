import type { Trace } from "../trace/index.ts";
import { checkScript, type Script, stillAt } from "./script.ts";
import type { ThermalCar } from "./thermal-car.ts";
import { type ThermalEvent, ThermalRun, type ThermalState } from "./thermal-run.ts";
import { withFaults } from "./with-faults.ts";

/** What really happened, beside what a log shows of it: each figure of `ThermalState` a row of the log. */
export type ThermalTruth = { [Figure in keyof ThermalState]: Float64Array } & {
  events: ThermalEvent[];
  boilsC: number;
  energy: { inKJ: number; outKJ: number; storedKJ: number };
};

/** A log with all that a port tells. */
export type SimulatedTrace = Trace & Required<Pick<Trace, "intakeC" | "rpm" | "radiatorOutC">>;

export interface SimulateTerms {
  /** Step of the calculation, 0.01 to 1 s. */
  dtS?: number;
  seed?: number;
  /** Rows a second in the log, 0.1 to 10. */
  hz?: number;
  /** The sensor as it feels, neither rounded nor jittering: for whoever holds one run against another. */
  isExact?: boolean;
}

/**
 * A cooling system put through a script, with none, one or more faults of `core/trade/diagnosis`: metal, coolant of the block and of the
 * radiator, thermostat with lag and hysteresis, pump by revs, core by effectiveness and NTU, fans with their sensor. The log is as a
 * diagnostic port tells it: whole degrees C with ±1 °C of jitter, seconds; the truth beside it. Classical RK4; the same seed, the same
 * log. Throws a RangeError for a script that no car goes through, an unknown fault, a step outside 0.01 to 1 s.
 * Good enough to recognise, not to design by: figures not on a car's card are estimates. Source of the core's part: Kays and London,
 * Compact Heat Exchangers.
 */
export function simulate(
  sound: ThermalCar,
  script: Script,
  faults: readonly string[] = [],
  { dtS = 0.1, seed = 1, hz = 1, isExact = false }: SimulateTerms = {},
): { trace: SimulatedTrace; truth: ThermalTruth } {
  checkScript(script);
  if (!(hz >= 0.1 && hz <= 10)) throw new RangeError(`${hz} rows a second: 0.1 to 10 can be.`);
  const { ambientC, altitudeM, startC = ambientC, steps } = script;
  const terms = { startC, dtS, seed, isExact, ...(altitudeM !== undefined && { altitudeM }) };
  const run = new ThermalRun(withFaults(sound, faults), terms);
  const every = Math.max(1, Math.round(1 / (hz * dtS)));
  const counts = steps.map(({ minutes }) => Math.round((minutes * 60) / dtS));
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
  const told = ["coolantC", "intakeC", "rpm", "radiatorOutC"] as const;
  const figures = Object.keys(shown) as (keyof ThermalState)[];
  let row = 0;
  const write = () => {
    const [reading, state] = [run.reading(), run.state()];
    trace.s[row] = run.atS;
    for (const name of told) trace[name][row] = reading[name];
    for (const name of figures) shown[name][row] = state[name];
    row++;
  };
  let at = 0;
  for (const [index, step] of steps.entries()) {
    run.put(stillAt(ambientC, step));
    for (let count = counts[index] as number; count > 0; count--) {
      if (at % every === 0) write();
      run.advance();
      at++;
    }
  }
  if (at % every === 0) write();
  return {
    trace: { ...trace, marks: [] },
    truth: { events: run.events, ...shown, boilsC: run.boilsC, energy: run.energy() },
  };
}
