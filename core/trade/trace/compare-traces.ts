import { analyseTrace } from "./analyse-trace.ts";
import type { TraceEvent, TraceSpec } from "./analysis.ts";
import { cleanSignal } from "./clean-signal.ts";
import { Curve, fitHinge } from "./curve.ts";
import type { Trace } from "./trace.ts";

/** What one warm-up comes to, as it was logged. */
export interface TraceFigures {
  /** Where the climb bends as the thermostat opens; absent where it never does. */
  kneeS?: number;
  kneeC?: number;
  /** °C a minute over the ten degrees before the knee. */
  climbCPerMin?: number;
  /** Mean over what follows the knee, from three minutes on. */
  plateauC?: number;
  /** Share of its cycles that the fan runs; absent without one whole cycle. */
  fanDuty?: number;
  peakC: number;
}

export interface TraceComparison {
  before: TraceFigures;
  after: TraceFigures;
  /** Seconds to put to the second log's clock, so that the knees lie over each other. */
  shiftS: number;
  /** The second less the first, the second brought to the first one's ambient temperature where both are known. */
  difference: { climbCPerMin?: number; plateauC?: number; fanDuty?: number; peakC: number };
  because: string[];
}

export interface ComparedUnder {
  /** °C of the air at each log; taken from the intake's first readings where the engine was cold, else not corrected for. */
  ambientA?: number;
  ambientB?: number;
  /** The card: without it the knee is the sharpest bend, and fans are not told. */
  spec?: TraceSpec;
}

/** How fast a shut engine loses its heat to the air by itself: block and metal over bare surfaces, minutes. */
const SHUT_MINUTES = 55;
const CLIMB_OVER_C = 10;
const SETTLED_S = 180;
const LEAST_BEND_C_PER_S = 0.012;
const LEAST_TAIL_S = 60;
/** So near above its opening a thermostat holds the coolant by itself, whatever the weather. */
const HELD_C = 4;
const COLD_START_C = 8;
const PEAK_OVER_S = 5;

interface Read extends TraceFigures {
  curve: Curve;
  ambientC?: number;
  /** °C a second at which it rises and falls within a cycle of its fan. */
  risesCPerS?: number;
  fallsCPerS?: number;
}

function kneeOf(curve: Curve, events: readonly TraceEvent[], spec: TraceSpec | undefined) {
  if (spec) {
    const opens = events.find(({ kind }) => kind === "thermostat-opens");
    return opens && { s: opens.atS, c: opens.coolantC };
  }
  const hinge = fitHinge(curve, 0, curve.length, LEAST_TAIL_S);
  const isBend = hinge && hinge.before - hinge.after > LEAST_BEND_C_PER_S;
  return isBend ? { s: hinge.at, c: hinge.value } : undefined;
}

/** Minutes that the last degrees before the knee took, as a rate. */
function climbBefore(curve: Curve, knee: { s: number; c: number }): number | undefined {
  const from = knee.c - CLIMB_OVER_C;
  let at = Math.round(knee.s);
  while (at > 0 && curve.mean(at - 5, at + 5) > from) at--;
  return at <= 5 ? undefined : (60 * (knee.c - curve.mean(at - 5, at + 5))) / (knee.s - at);
}

/** The fan's whole cycles, from start to start, of its low stage. */
function cyclesOf(curve: Curve, events: readonly TraceEvent[]) {
  const fans = events.filter(
    ({ kind, stage = 1 }) => (kind === "fan-on" || kind === "fan-off") && stage === 1,
  );
  const starts = fans.flatMap(({ kind }, index) => (kind === "fan-on" ? [index] : []));
  let on = 0;
  let off = 0;
  let fell = 0;
  let rose = 0;
  for (const [place, index] of starts.entries()) {
    const [start, stop, next] = [fans[index], fans[index + 1], fans[starts[place + 1] ?? -1]];
    if (!start || !next || stop?.kind !== "fan-off") continue;
    on += stop.atS - start.atS;
    off += next.atS - stop.atS;
    fell += curve.mean(start.atS - 4, start.atS + 4) - curve.mean(stop.atS - 4, stop.atS + 4);
    rose += curve.mean(next.atS - 4, next.atS + 4) - curve.mean(stop.atS - 4, stop.atS + 4);
  }
  if (on <= 0 || off <= 0) return undefined;
  return { duty: on / (on + off), fallsCPerS: fell / on, risesCPerS: rose / off };
}

function read(trace: Trace, given: number | undefined, spec: TraceSpec | undefined): Read {
  const clean = cleanSignal(trace);
  const curve = new Curve(clean.grid);
  const smooth = curve.smooth(PEAK_OVER_S);
  const peakC = smooth.reduce((peak, figure) => Math.max(peak, figure), smooth[0] ?? 0);
  const events = spec && clean.valid >= 2 ? analyseTrace(trace, spec).events : [];
  const knee = kneeOf(curve, events, spec);
  const intake = [...(trace.intakeC?.slice(0, 30) ?? [])].filter(Number.isFinite);
  const air = intake.length > 0 ? intake.reduce((sum, each) => sum + each, 0) / intake.length : undefined;
  const isColdStart = air !== undefined && Math.abs(curve.mean(0, 10) - air) <= COLD_START_C;
  const ambientC = given ?? (isColdStart ? air : undefined);
  const cycles = cyclesOf(curve, events);
  const climb = knee && climbBefore(curve, knee);
  const settled = knee && knee.s + SETTLED_S;
  const hasPlateau = settled !== undefined && curve.length - settled >= LEAST_TAIL_S;
  return {
    curve,
    peakC,
    ...(ambientC === undefined ? {} : { ambientC }),
    ...(knee ? { kneeS: knee.s, kneeC: knee.c } : {}),
    ...(climb === undefined ? {} : { climbCPerMin: climb }),
    ...(hasPlateau ? { plateauC: curve.mean(settled, curve.length) } : {}),
    ...(cycles ? { fanDuty: cycles.duty, fallsCPerS: cycles.fallsCPerS, risesCPerS: cycles.risesCPerS } : {}),
  };
}

/** What the fan's share would be in other air: the same heat in, the same losses per degree, told from the log's own rates. */
function dutyIn(side: Read, toC: number): number | undefined {
  const { fanDuty, plateauC, climbCPerMin, risesCPerS, fallsCPerS, ambientC, kneeC } = side;
  if (fanDuty === undefined || ambientC === undefined) return fanDuty;
  if (plateauC === undefined || climbCPerMin === undefined || kneeC === undefined) return fanDuty;
  if (risesCPerS === undefined || fallsCPerS === undefined) return fanDuty;
  const lift = plateauC - ambientC;
  const heat = climbCPerMin / 60 + (kneeC - CLIMB_OVER_C / 2 - ambientC) / (SHUT_MINUTES * 60);
  const draught = Math.max(0, heat - risesCPerS) / lift;
  const fan = (risesCPerS + fallsCPerS) / lift;
  const there = plateauC - toC;
  if (fan <= 0 || there <= 0) return fanDuty;
  return Math.min(1, Math.max(0, (heat - draught * there) / (fan * there)));
}

/** The figures of one log as they would be in the other one's air. */
function broughtTo(side: Read, ambientC: number | undefined): TraceFigures {
  const { climbCPerMin, plateauC, peakC, fanDuty, kneeC } = side;
  const figures: TraceFigures = { peakC };
  const warmer = ambientC === undefined || side.ambientC === undefined ? 0 : ambientC - side.ambientC;
  const isHeld =
    fanDuty !== undefined || (plateauC !== undefined && kneeC !== undefined && plateauC - kneeC < HELD_C);
  if (!isHeld) figures.peakC = peakC + warmer;
  if (climbCPerMin !== undefined) figures.climbCPerMin = climbCPerMin + warmer / SHUT_MINUTES;
  if (plateauC !== undefined) figures.plateauC = isHeld ? plateauC : plateauC + warmer;
  const duty = warmer === 0 || ambientC === undefined ? fanDuty : dutyIn(side, ambientC);
  if (duty !== undefined) figures.fanDuty = duty;
  return figures;
}

const shown = ({
  curve: _,
  ambientC: __,
  risesCPerS: ___,
  fallsCPerS: ____,
  ...figures
}: Read): TraceFigures => figures;
const minus = (b: number | undefined, a: number | undefined) =>
  a === undefined || b === undefined ? undefined : b - a;
const signed = (figure: number, digits: number) =>
  `${figure < 0 ? "−" : "+"}${Math.abs(figure).toFixed(digits)}`;

function sentences(difference: TraceComparison["difference"], a: Read, b: Read): string[] {
  const { climbCPerMin, plateauC, peakC, fanDuty } = difference;
  const isCorrected = a.ambientC !== undefined && b.ambientC !== undefined;
  return [
    isCorrected
      ? `Brought to the same air: ${Math.round(a.ambientC ?? 0)} °C before, ${Math.round(b.ambientC ?? 0)} °C after.`
      : "The air of one of them is not known: nothing is corrected for it.",
    climbCPerMin === undefined ? "" : `Climb ${signed(climbCPerMin, 1)} °C a minute.`,
    plateauC === undefined ? "" : `Plateau ${signed(plateauC, 1)} °C.`,
    `Hottest ${signed(peakC, 1)} °C.`,
    fanDuty !== undefined
      ? `Fan runs ${signed(100 * fanDuty, 0)} of 100 minutes.`
      : a.fanDuty === undefined && b.fanDuty !== undefined
        ? "The fan cycles now, and did not before."
        : a.fanDuty !== undefined && b.fanDuty === undefined
          ? "The fan cycled before, and does not now."
          : "",
  ].filter(Boolean);
}

/**
 * Two warm-ups of one car over each other, the log before the work and the one after it: aligned where their thermostats open,
 * with the difference in climb, plateau, fan's share and peak, the second brought to the first one's air. °C, seconds, °C a
 * minute. What the thermostat or the fan holds is not shifted by the weather; the rest moves with it, the climb by what a shut
 * engine loses in 55 minutes' time constant, the fan's share by the heat balance of its own cycles. A lumped balance of our own,
 * good to about ±0.3 °C a minute, ±2 °C and ±0.15 of the fan's time between 5 and 35 °C.
 * @throws RangeError for a trace that `analyseTrace` would refuse
 */
export function compareTraces(
  before: Trace,
  after: Trace,
  { ambientA, ambientB, spec }: ComparedUnder = {},
): TraceComparison {
  for (const ambient of [ambientA, ambientB])
    if (ambient !== undefined && !(ambient >= -60 && ambient <= 60))
      throw new RangeError(`ambient ${ambient} °C is outside -60 to 60 °C`);
  for (const trace of [before, after])
    if (trace.s.length < 2) throw new RangeError(`a log of ${trace.s.length} rows is outside 2 and up`);
  const a = read(before, ambientA, spec);
  const b = read(after, ambientB, spec);
  const brought = broughtTo(b, a.ambientC);
  const difference: TraceComparison["difference"] = { peakC: brought.peakC - a.peakC };
  for (const name of ["climbCPerMin", "plateauC", "fanDuty"] as const) {
    const change = minus(brought[name], a[name]);
    if (change !== undefined) difference[name] = change;
  }
  const shiftS = a.kneeS !== undefined && b.kneeS !== undefined ? a.kneeS - b.kneeS : 0;
  return { before: shown(a), after: shown(b), shiftS, difference, because: sentences(difference, a, b) };
}
