import type { ThermalCar } from "../thermal/index.ts";
import type { Course } from "./course.ts";
import { AS_ITS_OWN, type Fitted } from "./fitted-figures.ts";

/**
 * Everything is sought in degrees of the car's own sensor: what it shows too much moves thermostat, air and start alike and changes no
 * curve, so that it is told afterwards, by the air that goes in.
 */
export type Sensed = Omit<Fitted, "biasC">;

/** One figure that is sought: in steps of about what a log tells it to, from a first guess, and how far off that may be. */
export interface Unknown {
  name: keyof Sensed;
  step: number;
  least: number;
  most: number;
}

export const UNKNOWNS: readonly Unknown[] = [
  { name: "opensC", step: 1, least: 55, most: 112 },
  { name: "passes", step: 0.05, least: 0.1, most: 2 },
  { name: "air", step: 0.05, least: 0.1, most: 2 },
  { name: "onC", step: 0.5, least: 60, most: 125 },
  { name: "offC", step: 0.5, least: 50, most: 120 },
  { name: "heat", step: 0.02, least: 0.4, most: 2.5 },
  { name: "ambientC", step: 0.5, least: -40, most: 55 },
  { name: "startC", step: 0.3, least: -40, most: 130 },
];

/** Sought beside them where the car's own figures aren't known yet. */
export const OF_THE_CAR: readonly Unknown[] = [
  { name: "metal", step: 0.05, least: 0.4, most: 2.5 },
  { name: "coupling", step: 0.1, least: 0.2, most: 4 },
  { name: "opensOver", step: 0.1, least: 0.3, most: 3 },
  { name: "waxLag", step: 0.2, least: 0.1, most: 5 },
  { name: "draught", step: 0.05, least: 0.1, most: 4 },
];

/** What is known before the log is looked at: how far what is sought lies from it, in its own spread. */
export interface Known {
  /** What is sought, in the order in which it is. */
  unknowns: readonly Unknown[];
  isCold: boolean;
  guess: Sensed;
  /** Each figure's distance from what was known, in standard deviations. */
  away: (figures: Sensed) => number[];
  /** Standard deviation that a figure has before the log: what a log must better to have told it. */
  spread: Readonly<Record<keyof Sensed, number>>;
  /** The air as it went in and how well it is known, °C; the sensor's error before anything is read. */
  air?: { readC: number; errorC: number };
}

/** An engine that reads no more above the air that goes in, °C, stood the night; a sensor may be that far out. */
const COLD_WITHIN_C = 12;
const RESTED_H = 6;
/** Air unknown: a bay's. */
const BAY_C = 18;
/** How far a sensor may be out, and how well air that goes in is told in whole degrees, or by a warm engine's duct. */
const BIAS_C = 5;
const [AIR_C, WARM_AIR_C] = [0.45, 3];

/** What is known of a car's figures before its log is run over: its card's, the log's first readings, and what was seen of it at a glance. */
export function knownOf(
  car: ThermalCar,
  { firstC, intakeC }: Course,
  seen: Partial<Sensed>,
  { restedH, isOwn = true }: { restedH?: number; isOwn?: boolean },
): Known {
  const unknowns = isOwn ? UNKNOWNS : [...UNKNOWNS, ...OF_THE_CAR];
  const [first] = car.fans;
  const isNearAir = intakeC !== undefined && Math.abs(firstC - intakeC) < COLD_WITHIN_C;
  const isCold = restedH === undefined ? isNearAir : restedH >= RESTED_H;
  const guess: Sensed = {
    opensC: car.opensC,
    passes: 1,
    air: 1,
    onC: first?.onC ?? 0,
    offC: first?.offC ?? 0,
    heat: 1,
    ambientC: isCold ? firstC : (intakeC ?? BAY_C),
    startC: firstC,
    ...AS_ITS_OWN,
    ...seen,
  };
  const spread = {
    opensC: 8,
    passes: 0.5,
    air: 0.4,
    onC: 6,
    offC: 6,
    heat: 0.3,
    ambientC: isCold || intakeC !== undefined ? BIAS_C : 2 * BIAS_C,
    startC: isCold ? 0.3 : 5,
    metal: 0.3,
    coupling: 0.5,
    opensOver: 0.4,
    waxLag: 0.7,
    draught: 0.6,
  };
  const away = (figures: Sensed) =>
    unknowns.map(({ name }) => {
      // A cold engine is as warm as its air, whatever that really is.
      const from = name === "startC" && isCold ? figures.ambientC : guess[name];
      return (figures[name] - from) / spread[name];
    });
  return {
    unknowns,
    isCold,
    guess,
    away,
    spread,
    ...(intakeC !== undefined && { air: { readC: intakeC, errorC: isCold ? AIR_C : WARM_AIR_C } }),
  };
}
