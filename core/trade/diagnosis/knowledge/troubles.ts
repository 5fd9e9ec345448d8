import type { TroublePattern } from "./knowledge.ts";

/** What the owner says the trouble is, first of all. */
export const TROUBLES = {
  "fan-never": "fan never runs",
  "fan-always": "fan runs all the time",
  "hot-standing": "hot standing still",
  "hot-road": "hot on the road",
  "hot-everywhere": "hot everywhere",
  loses: "loses coolant",
  "no-heat": "no cabin heat or gurgling",
  "runs-cold": "slow to warm",
  "gauge-high": "gauge reads high",
  light: "warning light",
} as const;
export type Trouble = keyof typeof TROUBLES;

const ORDER = Object.keys(TROUBLES) as Trouble[];

/**
 * P(what the owner says | how the fault shows), in the order of TROUBLES. Owners hear no fan, feel heat and read a gauge;
 * nobody is sure which of these comes first, so no figure is near 0 or 1. Each row adds up to one.
 */
const ROWS: Record<TroublePattern, number[]> = {
  // never always standing road everywhere loses no-heat cold gauge light
  "dead fan": [0.3, 0.01, 0.44, 0.02, 0.06, 0.03, 0.01, 0.01, 0.05, 0.07],
  "half-dead fan": [0.15, 0.01, 0.48, 0.03, 0.08, 0.03, 0.01, 0.01, 0.12, 0.08],
  "fan always": [0.01, 0.78, 0.02, 0.01, 0.02, 0.01, 0.02, 0.06, 0.01, 0.06],
  "sensor lies open": [0.04, 0.42, 0.06, 0.02, 0.03, 0.01, 0.01, 0.04, 0.07, 0.3],
  "wrong temperature": [0.12, 0.08, 0.3, 0.05, 0.09, 0.02, 0.02, 0.06, 0.2, 0.06],
  "poor air": [0.03, 0.03, 0.6, 0.08, 0.1, 0.02, 0.01, 0.01, 0.08, 0.04],
  "poor flow": [0.01, 0.04, 0.06, 0.48, 0.24, 0.02, 0.05, 0.01, 0.05, 0.04],
  shut: [0.02, 0.02, 0.06, 0.14, 0.6, 0.05, 0.04, 0.01, 0.03, 0.03],
  "runs cold": [0.06, 0.01, 0.01, 0.01, 0.01, 0.01, 0.16, 0.63, 0.01, 0.09],
  loses: [0.01, 0.01, 0.04, 0.04, 0.07, 0.74, 0.04, 0.01, 0.01, 0.03],
  low: [0.02, 0.01, 0.07, 0.08, 0.26, 0.28, 0.17, 0.02, 0.03, 0.06],
  air: [0.04, 0.02, 0.09, 0.06, 0.23, 0.05, 0.41, 0.02, 0.05, 0.03],
  gasket: [0.01, 0.02, 0.04, 0.17, 0.34, 0.31, 0.06, 0.01, 0.01, 0.03],
  gauge: [0.02, 0.01, 0.09, 0.05, 0.08, 0.01, 0.01, 0.02, 0.68, 0.03],
  "no heat": [0.01, 0.01, 0.01, 0.01, 0.01, 0.01, 0.86, 0.05, 0.01, 0.02],
  mix: [0.02, 0.02, 0.16, 0.24, 0.3, 0.06, 0.05, 0.02, 0.08, 0.05],
  sound: [0.22, 0.06, 0.22, 0.04, 0.05, 0.05, 0.03, 0.03, 0.25, 0.05],
};

/** How likely an owner is to say this first, given how the fault shows. */
export const troubleGiven = (trouble: Trouble, pattern: TroublePattern): number =>
  ROWS[pattern][ORDER.indexOf(trouble)] ?? 0;

export const TROUBLE_ROWS: Readonly<Record<TroublePattern, readonly number[]>> = ROWS;
