import { type FanStage, simulate, type ThermalCar, USUAL_CAR } from "../thermal/index.ts";
import type { TraceSpec } from "./analysis.ts";

/** One fan of a usual car, and how little air passes it standing still: it climbs slowly to its fan. */
export const FAN: FanStage = { onC: 98, offC: 92, airKgS: 0.25 };

export interface SimulatedLog {
  car?: Partial<ThermalCar>;
  faults?: readonly string[];
  ambientC: number;
  startC?: number;
  minutes: number;
  hz?: number;
  seed: number;
  /** Held at so many turns: a fast idle where nothing is said, or a sound car may never reach its fan. */
  rpm?: number;
  /** Raised to so many turns for half a minute, so many minutes after the start. */
  raised?: { rpm: number; afterMinutes: number };
}

/** A warm-up standing still as a trace, with the card that belongs to its car and the events that truly happened. */
export function simulated({
  car: given = {},
  faults = [],
  ambientC,
  startC,
  minutes,
  hz,
  seed,
  rpm = 1500,
  raised,
}: SimulatedLog) {
  const car: ThermalCar = { ...USUAL_CAR, ...given };
  const idle = { rpm };
  const steps = raised
    ? [
        { ...idle, minutes: raised.afterMinutes },
        { rpm: raised.rpm, minutes: 0.5 },
        { ...idle, minutes: minutes - raised.afterMinutes - 0.5 },
      ]
    : [{ ...idle, minutes }];
  const script = { ambientC, ...(startC !== undefined && { startC }), steps };
  const { trace, truth } = simulate(car, script, faults, { seed, ...(hz && { hz }) });
  // Loggers seldom have the radiator's own sensor.
  const { radiatorOutC: _, ...logged } = trace;
  const spec: TraceSpec = {
    thermostatOpensC: car.opensC,
    fanOnC: car.fans.map((fan) => fan.onC),
    fanOffC: car.fans.map((fan) => fan.offC),
  };
  return { trace: logged, spec, events: truth.events.filter(({ kind }) => kind !== "boils") };
}
