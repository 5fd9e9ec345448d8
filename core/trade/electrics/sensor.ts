import type { Judgement } from "../../kernel/verdict/index.ts";
import { inRange } from "./in-range.ts";

export interface SensorPoint {
  celsius: number;
  ohms: number;
}

/** A thermistor's curve: three coefficients from three points up, two figures from two. */
export type SensorFit =
  | { kind: "steinhart-hart"; a: number; b: number; c: number }
  | { kind: "beta"; ohms25: number; betaK: number };

const KELVIN = 273.15;
const T25_K = 25 + KELVIN;
/** Ohms beyond which the circuit is open: what reads −40 °C; and under which it is shorted: what reads hottest. */
const OPEN_OHMS = 1_000_000;
/** A sensor of 10 kΩ has some 180 kΩ at −30 °C: without the card's curve ohms like that prove nothing in the cold. */
const COLD_C = 0;
const MAY_BE_COLD_OHMS = 20_000;
const SHORT_OHMS = 25;
/** A sensor, a thermometer and a housing that isn't the coolant: together this far apart is still agreement. */
const TOLERANCE_C = 6;

/** A usual coolant sensor, for cars whose card has no curve: 2.5 kΩ at 20 °C, about 320 Ω at 80 and 180 Ω at 100. */
export const USUAL_SENSOR: readonly SensorPoint[] = [
  { celsius: 20, ohms: 2500 },
  { celsius: 80, ohms: 320 },
  { celsius: 100, ohms: 180 },
];

function refuse(points: readonly SensorPoint[]): void {
  if (points.length < 2)
    throw new RangeError(`${points.length} points make no curve; two at least, better three`);
  for (const { celsius, ohms } of points) {
    inRange(celsius, -40, 160, "°C on the curve");
    inRange(ohms, 1, 1_000_000, "Ω on the curve");
  }
  const sorted = [...points].sort((a, b) => a.celsius - b.celsius);
  for (const [index, point] of sorted.entries()) {
    const before = sorted[index - 1];
    if (before && (before.celsius === point.celsius || before.ohms <= point.ohms))
      throw new RangeError(
        `${point.ohms} Ω at ${point.celsius} °C after ${before.ohms} Ω at ${before.celsius} °C: a coolant sensor's ohms fall as it warms`,
      );
  }
}

/** Least squares of 1/T on 1, ln R, (ln R)³ by its normal equations, solved by elimination. */
function steinhartHart(points: readonly SensorPoint[]): SensorFit {
  const rows = points.map(({ celsius, ohms }) => {
    const log = Math.log(ohms);
    return { x: [1, log, log ** 3], y: 1 / (celsius + KELVIN) };
  });
  const m = [0, 1, 2].map((i) => [
    ...[0, 1, 2].map((k) => rows.reduce((sum, { x }) => sum + (x[i] ?? 0) * (x[k] ?? 0), 0)),
    rows.reduce((sum, { x, y }) => sum + (x[i] ?? 0) * y, 0),
  ]);
  const cell = (i: number, k: number) => m[i]?.[k] ?? 0;
  for (let pivot = 0; pivot < 3; pivot++) {
    for (let row = 0; row < 3; row++) {
      if (row === pivot) continue;
      const factor = cell(row, pivot) / cell(pivot, pivot);
      m[row] = m[row]?.map((figure, k) => figure - factor * cell(pivot, k)) ?? [];
    }
  }
  const [a = 0, b = 0, c = 0] = [0, 1, 2].map((i) => cell(i, 3) / cell(i, i));
  return { kind: "steinhart-hart", a, b, c };
}

/**
 * The curve of a thermistor through its points: Steinhart–Hart (1968), 1/T = a + b ln R + c (ln R)³ in kelvin, by least
 * squares from three points up; the beta formula through two. Points from −40 to 160 °C and 1 Ω to 1 MΩ, ohms falling as
 * it warms, else `RangeError`.
 */
export function sensorFit(points: readonly SensorPoint[]): SensorFit {
  refuse(points);
  const [first, second] = points;
  if (points.length > 2 || !first || !second) return steinhartHart(points);
  const betaK =
    Math.log(first.ohms / second.ohms) / (1 / (first.celsius + KELVIN) - 1 / (second.celsius + KELVIN));
  return {
    kind: "beta",
    betaK,
    ohms25: first.ohms * Math.exp(betaK * (1 / T25_K - 1 / (first.celsius + KELVIN))),
  };
}

/** °C that a thermistor of this curve has at so many ohms. 1 Ω to 10 MΩ, else `RangeError`. */
export function temperatureFromOhms(fit: SensorFit, ohms: number): number {
  inRange(ohms, 1, 10_000_000, "Ω");
  const log = Math.log(ohms);
  const inverse =
    fit.kind === "beta"
      ? 1 / T25_K + Math.log(ohms / fit.ohms25) / fit.betaK
      : fit.a + fit.b * log + fit.c * log ** 3;
  return 1 / inverse - KELVIN;
}

export interface SensorVerdict extends Judgement {
  state: "on-curve" | "off-curve" | "open" | "short";
  /** °C that the ohms mean on the curve; −40 for an open circuit. */
  readsC: number;
}

/**
 * A sensor's ohms against its curve at a known temperature. `ohms` may be Infinity for an open circuit; `actualC` −40 to
 * 130 °C, else `RangeError`. Over 1 MΩ is open (reads −40), under 25 Ω a short (reads hottest); within 6 °C is on the
 * curve. Without `fit` the usual curve is taken and `because` says so.
 */
export function sensorVerdict({
  ohms,
  actualC,
  fit,
}: {
  ohms: number;
  actualC: number;
  fit?: SensorFit;
}): SensorVerdict {
  if (!(ohms >= 0)) throw new RangeError(`${ohms} Ω is no resistance; 0 or more`);
  inRange(actualC, -40, 130, "°C at the housing");
  if (ohms > OPEN_OHMS)
    return {
      state: "open",
      readsC: -40,
      verdict: "fail",
      measured: ohms,
      because: "Open: the computer reads −40 °C and, mostly, runs the fan.",
    };
  if (ohms < SHORT_OHMS)
    return {
      state: "short",
      readsC: 215,
      verdict: "fail",
      measured: ohms,
      because: "Shorted: the computer reads hottest of all.",
    };
  const readsC = temperatureFromOhms(fit ?? sensorFit(USUAL_SENSOR), ohms);
  const apart = readsC - actualC;
  if (!fit && actualC < COLD_C && ohms > MAY_BE_COLD_OHMS && Math.abs(apart) > TOLERANCE_C)
    return {
      state: "off-curve",
      readsC,
      verdict: "not-seen",
      measured: readsC,
      expected: actualC,
      because: `${Math.round(ohms)} Ω at ${actualC} °C fits a sensor of 10 kΩ as well as a bad one of 2.5 kΩ: without the card's curve, measure it once more warm.`,
    };
  const isOn = Math.abs(apart) <= TOLERANCE_C;
  const curve = fit ? "the card's curve" : "a usual curve, since the card has none";
  return {
    state: isOn ? "on-curve" : "off-curve",
    readsC,
    verdict: isOn ? "pass" : "fail",
    measured: readsC,
    expected: actualC,
    because: `${Math.round(ohms)} Ω means ${readsC.toFixed(1)} °C on ${curve}; the housing is at ${actualC} °C${isOn ? "" : `, so it reads ${Math.abs(apart).toFixed(0)} °C ${apart > 0 ? "hot" : "cold"}`}.`,
  };
}
