import { HEALTH_FIGURES, type HealthFigureName } from "../car/index.ts";
import type { ThermalCar } from "../thermal/index.ts";
import { analyseTrace, type Trace, type TraceAnalysis } from "../trace/index.ts";
import { byPieces, NOISE_C } from "./by-pieces.ts";
import { type Course, courseOf, redraw } from "./course.ts";
import { carAs, type Fitted } from "./fitted-figures.ts";
import type { Sought } from "./seek.ts";
import { covariance } from "./spread.ts";
import { type Known, knownOf, type Sensed } from "./unknowns.ts";

/** What is said of a car; the rest is sought beside it, since a log can't be redrawn without. */
export const TOLD = HEALTH_FIGURES;
export type ToldName = HealthFigureName;

/** A figure with its standard error, or why the log doesn't tell it. */
export type ToldFigure = { isTold: true; value: number; error: number } | { isTold: false; because: string };

export interface CarFit {
  figures: Record<ToldName, ToldFigure>;
  /** Everything sought, told or not: the car by which the log was redrawn. */
  fitted: Fitted;
  /** The log's rows, s from its first, as such a car's sensor would have shown them, and how far they lie apart, °C. */
  s: Float64Array;
  redrawnC: Float64Array;
  apartC: number;
  /** False where no car with such figures redraws it: then nothing is told. */
  isRedrawn: boolean;
}

export interface FitTerms {
  /** Hours that the engine stood before. */
  restedH?: number;
  /** False where `car` is but an estimate: what its metal, wax and draught are is sought with the rest then. */
  isOwn?: boolean;
  /** Told how far it has come, 0 to 1. It may throw, to end it: what it throws comes out. */
  onProgress?: (share: number) => void;
}

/** Farther apart than that, a car's figures say nothing of the log that they are said to redraw, °C. */
const REDRAWN_C = 0.9;
/** A fan that starts and stops tells all it has in so many turns; hours of them tell nothing more. */
const MOST_S = 3000;
const LEAST_S = 120;
/** A figure that is known no better isn't told. */
const MOST_ERROR: Readonly<Record<ToldName, number>> = {
  passes: 0.15,
  air: 0.2,
  opensC: 2,
  onC: 1.5,
  offC: 1.5,
  biasC: 1.5,
};
/** What the model's own steps and the rows' width are worth, whatever the log tells. */
const [PASSES_FLOOR, AIR_FLOOR, SWITCH_FLOOR_C] = [0.01, 0.02, 0.06];

const happened = ({ events }: TraceAnalysis, kind: string) => events.some((event) => event.kind === kind);

/** What nobody saw happen isn't told, however well a curve goes with it: a fan that never ran is no weak one. */
function mayTell(name: ToldName, analysis: TraceAnalysis): boolean {
  if (name === "offC") return happened(analysis, "fan-off");
  if (name === "onC" || name === "air") return happened(analysis, "fan-on");
  return name === "biasC" || happened(analysis, "thermostat-opens") || happened(analysis, "fan-on");
}

/** Why a log doesn't tell a figure, and what would. */
function because(name: ToldName, analysis: TraceAnalysis, { isCold }: Known, course: Course): string {
  const has = (kind: string) => happened(analysis, kind);
  const isOpen = has("thermostat-opens") || has("fan-on");
  if (name === "opensC")
    return isOpen
      ? "too little of the log comes behind the thermostat's opening"
      : "the log ends before the thermostat has opened";
  if (name === "passes")
    return isOpen
      ? "too little of the log comes behind the thermostat's opening: let the fan run twice"
      : "nothing has passed the radiator yet: the thermostat hasn't opened";
  if (name === "biasC") {
    if (course.intakeC === undefined)
      return "the air that goes in isn't in the log: nothing to hold a cold sensor against";
    return isCold
      ? "what the engine began at isn't known well enough"
      : "the engine was warm when the log began: a sensor is told by a cold start";
  }
  if (!has("fan-on")) return "the fan's start isn't in the log";
  if (name === "offC" && !has("fan-off")) return "the fan's stop isn't in the log";
  return "too little of the fan is in the log: let it run twice";
}

/**
 * What a warm-up log says of a car standing still: the heat that its radiator passes and the air that its fan draws as shares of
 * `car`'s own, where its thermostat begins to open and its fan starts and stops, and what its sensor shows too much, each with a
 * standard error. The car is run over the log again and again until it redraws it: least squares by Levenberg and Marquardt.
 * What a log is too short to tell is said with its reason and never made up; nothing at all where it has less than two minutes.
 * Of a long log its first fifty minutes. Good for a car that stands in a bay with its heater off: wind, driving and a heater aren't
 * in a log, and are taken for the radiator.
 */
export function fitCar(
  trace: Trace,
  car: ThermalCar,
  { restedH, isOwn = true, onProgress = () => undefined }: FitTerms = {},
): CarFit | undefined {
  const firstS = trace.s[0] ?? 0;
  const endS = Math.min(firstS + MOST_S, trace.s.at(-1) ?? 0);
  const whole = endS - firstS < LEAST_S ? undefined : courseOf(trace, endS);
  if (!whole) return undefined;
  const analysis = analyseTrace(trace, {
    thermostatOpensC: car.opensC,
    fanOnC: car.fans.map(({ onC }) => onC),
    fanOffC: car.fans.map(({ offC }) => offC),
    fanSenses: car.fanSenses,
    ...(restedH !== undefined && { restedH }),
  });
  const known = knownOf(car, whole, seenAt(analysis), { isOwn, ...(restedH !== undefined && { restedH }) });
  const { sought, at, apartC } = byPieces({ trace, whole, endS }, car, known, analysis, (share) =>
    onProgress(0.9 * share),
  );
  const { fitted, errors } = inTruth(sought.figures(at), known, spreadOf(sought, at, whole, known));
  const isRedrawn = apartC <= REDRAWN_C;
  // What it doesn't follow it knows nothing of: its errors can't tell by how much.
  const roughly = Math.max(1, apartC / NOISE_C) ** 3;
  const told = (name: ToldName): ToldFigure => {
    const error = errors[name] * roughly;
    if (!isRedrawn)
      return { isTold: false, because: "no car with such parts redraws this log: something else is wrong" };
    return error <= MOST_ERROR[name] && mayTell(name, analysis)
      ? { isTold: true, value: fitted[name], error }
      : { isTold: false, because: because(name, analysis, known, whole) };
  };
  onProgress(1);
  return {
    figures: Object.fromEntries(TOLD.map((name) => [name, told(name)])) as Record<ToldName, ToldFigure>,
    fitted,
    s: whole.s,
    redrawnC: redraw(carAs(car, fitted), whole, fitted),
    apartC,
    isRedrawn,
  };
}

/** Where the log reader saw what is sought, °C of the sensor. */
function seenAt({ events }: TraceAnalysis): Partial<Sensed> {
  const of = (kind: string) => {
    const found = events.filter((event) => event.kind === kind && (event.stage ?? 1) === 1);
    return found.length > 0
      ? found.reduce((sum, { coolantC }) => sum + coolantC, 0) / found.length
      : undefined;
  };
  const [opensC, onC, offC] = [of("thermostat-opens"), of("fan-on"), of("fan-off")];
  return {
    ...(opensC !== undefined && { opensC }),
    ...(onC !== undefined && { onC }),
    ...(offC !== undefined && (onC === undefined || offC < onC) && { offC }),
  };
}

/** The variance of what is sought, and how two of them err together. */
function spreadOf(sought: Sought, at: readonly number[], { s, rowS }: Course, { unknowns }: Known) {
  const found = covariance(sought.slopes(at), sought.residuals(at), s.length, rowS);
  const place = (name: keyof Sensed) => unknowns.findIndex((each) => each.name === name);
  return (one: keyof Sensed, other: keyof Sensed = one): number => {
    const [a, b] = [place(one), place(other)];
    const steps = (unknowns[a] as { step: number }).step * (unknowns[b] as { step: number }).step;
    return (found?.get(a, b) ?? Number.POSITIVE_INFINITY) * steps;
  };
}

/** From degrees of the sensor to what is so: by the air that went in, where that is known. */
function inTruth(sensed: Sensed, { air }: Known, variance: ReturnType<typeof spreadOf>) {
  const readC = air?.readC ?? sensed.ambientC;
  const biasC = sensed.ambientC - readC;
  const airVariance = air ? air.errorC ** 2 : Number.POSITIVE_INFINITY;
  const fitted: Fitted = {
    ...sensed,
    biasC,
    opensC: sensed.opensC - biasC,
    ambientC: readC,
    startC: sensed.startC - biasC,
  };
  const squares: Record<ToldName, number> = {
    passes: variance("passes") + PASSES_FLOOR ** 2,
    air: variance("air") + AIR_FLOOR ** 2,
    opensC: variance("opensC") + variance("ambientC") - 2 * variance("opensC", "ambientC") + airVariance,
    onC: variance("onC") + SWITCH_FLOOR_C ** 2,
    offC: variance("offC") + SWITCH_FLOOR_C ** 2,
    biasC: variance("ambientC") + airVariance,
  };
  const errors = Object.fromEntries(TOLD.map((name) => [name, Math.sqrt(squares[name])])) as Record<
    ToldName,
    number
  >;
  return { fitted, errors };
}
