import { seededRandom } from "../../kernel/chance/index.ts";
import type { ThermalCar } from "../thermal/index.ts";
import type { Trace, TraceAnalysis } from "../trace/index.ts";
import { type Course, courseOf } from "./course.ts";
import { carAs } from "./fitted-figures.ts";
import { Sought } from "./seek.ts";
import { type Known, type Sensed } from "./unknowns.ts";

/** What whole degrees and jitter leave between a row's mean and the right curve, °C. */
export const NOISE_C = 0.34;
/** A piece that lies so many times farther apart than the one before it was begun from a wrong place. */
const ASTRAY = 1.25;
const STEPS = 10;
const TRIES = 36;
const ROUNDS = 3;
const LEAST_S = 120;
/** A last piece shorter than that is told with the one before it. */
const LAST_S = 60;

/** So far around a place it is looked, in steps of each figure. */
const REACH: Partial<Record<keyof Sensed, number>> = { air: 8, onC: 2, offC: 2, passes: 1 };
const FAN: ReadonlySet<string> = new Set(["air", "onC", "offC"]);

/** Where the log is cut while it is made out piece by piece: a later fan turn can't be found before the ones before it are. */
export function cutsOf(events: TraceAnalysis["events"], trace: Trace, endS: number): number[] {
  const on = events.filter(({ kind }) => kind === "fan-on").map(({ atS }) => atS);
  const off = events.find(({ kind, atS }) => kind === "fan-off" && atS > (on[0] ?? 0))?.atS;
  const { s, coolantC } = trace;
  const peak = coolantC.reduce((best, value, at) => (value > (coolantC[best] as number) ? at : best), 0);
  const first = on[0] ?? (s[peak] as number);
  const turns = [
    0.6 * first,
    first,
    off ?? first + 120,
    on[1] ?? first + 240,
    on[3] ?? first + 480,
    on[7] ?? first + 960,
  ];
  const cuts: number[] = [];
  for (const turn of turns) {
    const cut = turn + 5;
    if (cut > (s[0] as number) + LEAST_S && cut < endS - LAST_S && cut > (cuts.at(-1) ?? 0)) cuts.push(cut);
  }
  return [...cuts, endS];
}

/** The same with the fan as the log reader saw it: what a piece without it had made of it is worth nothing. */
const asSeen = (at: readonly number[], { unknowns }: Known): number[] =>
  at.map((value, each) => (FAN.has((unknowns[each] as { name: string }).name) ? 0 : value));

/** The best place that some tries find around one, where going down from it led astray. */
function elsewhere(
  sought: Sought,
  at: readonly number[],
  { unknowns }: Known,
  random: () => number,
): number[] {
  let best = { at: [...at], cost: sought.cost(at) };
  for (let attempt = 0; attempt < TRIES; attempt++) {
    // Near more often than far: most are led astray by half a degree.
    const reach = random();
    const near = unknowns.map(
      ({ name }, each) => (at[each] as number) + (REACH[name] ?? 0) * reach * (2 * random() - 1),
    );
    const cost = sought.cost(near);
    if (cost < best.cost) best = { at: near, cost };
  }
  return best.at;
}

/**
 * A car run over a log again and again until it redraws it, from the start up to each of its turns in order: a fan's turns are found
 * only from near by, and each piece begins where the one before it ended. `onProgress` hears 0 to 1; what it throws comes out.
 */
export function byPieces(
  { trace, whole, endS }: { trace: Trace; whole: Course; endS: number },
  car: ThermalCar,
  known: Known,
  analysis: TraceAnalysis,
  onProgress: (share: number) => void,
): { sought: Sought; at: number[]; apartC: number } {
  const carWith = (figures: Sensed) => carAs(car, { ...figures, biasC: 0 });
  const cuts = cutsOf(analysis.events, trace, endS);
  const random = seededRandom(1);
  let at = known.unknowns.map(() => 0);
  let apartC = NOISE_C;
  let sought = new Sought(carWith, whole, known, () => undefined);
  for (const [index, cut] of cuts.entries()) {
    const course = index === cuts.length - 1 ? whole : courseOf(trace, cut);
    if (!course) continue;
    sought = new Sought(carWith, course, known, () => onProgress(index / cuts.length));
    let best = sought.descend(at, STEPS);
    const limit = Math.max(NOISE_C, apartC) * ASTRAY;
    for (let round = 0; round < ROUNDS && sought.rmsC(best.at) > limit; round++) {
      const from = elsewhere(sought, round === 0 ? asSeen(at, known) : best.at, known, random);
      const other = sought.descend(from, STEPS);
      if (other.cost < best.cost) best = other;
    }
    at = best.at;
    apartC = sought.rmsC(at);
  }
  return { sought, at, apartC };
}
