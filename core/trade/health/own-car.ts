import type { ThermalCar } from "../thermal/index.ts";
import type { Trace } from "../trace/index.ts";
import { type CarFit, type FitTerms, fitCar } from "./fit-car.ts";
import { carAs } from "./fitted-figures.ts";

export type OwnCar = { car: ThermalCar; fit: CarFit } | { because: string };

/** A car that is known farther apart than that from its own good log says nothing of another, °C. */
const KNOWN_C = 0.45;

/**
 * The car as its own good log shows it: what a card doesn't say (metal, heat, draught, how its wax moves) sought with the rest from a
 * usual one of its size. Later logs are held against that, so that 1 is what it was then. Why that can't be, where the log is too
 * short or is redrawn by no such car.
 */
export function ownCar(trace: Trace, usual: ThermalCar, terms: FitTerms = {}): OwnCar {
  const fit = fitCar(trace, usual, { ...terms, isOwn: false });
  if (!fit) return { because: "That log has less than two minutes: it shows no car." };
  if (fit.apartC > KNOWN_C)
    return {
      because: `That log is redrawn to ${fit.apartC.toFixed(1)} °C only: not well enough to hold another against it.`,
    };
  return { car: { ...carAs(usual, fit.fitted), sensorBiasC: 0 }, fit };
}
