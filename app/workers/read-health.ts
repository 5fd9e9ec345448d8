import type { CoolingCard } from "../../core/trade/car/index.ts";
import { CIRCUITS, HYPOTHESES, hypothesesOf } from "../../core/trade/diagnosis/knowledge/index.ts";
import {
  type CarFit,
  type DayOutcome,
  type Explanation,
  explainCurve,
  fitCar,
  HOT_DAY,
  leastShareFor,
  ownCar,
  type WhatIf,
  whatIf,
} from "../../core/trade/health/index.ts";
import { carOf, SCRIPTS } from "../../core/trade/thermal/index.ts";
import { type CurvePoint, readTrace, thinTrace } from "../../core/trade/trace/index.ts";

/** A log as it was handed in, and how long the engine had stood. */
export interface GivenLog {
  text: string;
  restedH?: number;
}

export type ReadHealth =
  | { trouble: string }
  | {
      fit: CarFit;
      /** The log's own curve, thinned out for drawing. */
      points: CurvePoint[];
      /** The least share of what it passed at which it holds a hot day; nothing where it doesn't when whole, as far as it is known. */
      leastShare?: number;
    };

export type ExplainedLog = { trouble: string } | { explanation: Explanation; points: CurvePoint[] };

const MOST_POINTS = 900;

const rested = ({ restedH }: GivenLog) => (restedH === undefined ? {} : { restedH });

/** How likely each fault is that a car with this card's circuit can have; of a circuit that nobody knows, each there is. */
function weightsOf({ circuit }: CoolingCard): (id: string) => number {
  const known = Object.values(CIRCUITS).find(({ kind }) => kind === circuit);
  const weights = new Map((known ? hypothesesOf(known) : HYPOTHESES).map(({ id, weight }) => [id, weight]));
  return (id) => weights.get(id) ?? 0;
}

/**
 * How a log may have come about, by the car as its good log shows it, or as its card has it where there is none that shows it. Runs in a
 * worker. `onProgress` hears 0 to 1.
 */
export function explainLog(
  card: CoolingCard,
  good: GivenLog | undefined,
  log: GivenLog,
  onProgress: (share: number) => void,
): ExplainedLog {
  const { trace } = readTrace(log.text);
  if (!trace) return { trouble: "This log can't be read." };
  const goodTrace = good && readTrace(good.text).trace;
  const own = good && goodTrace && ownCar(goodTrace, carOf(card), rested(good));
  const explanation = explainCurve(trace, own && "car" in own ? own.car : carOf(card), {
    ...rested(log),
    weightOf: weightsOf(card),
    onProgress,
  });
  if (!explanation) return { trouble: "This log has less than two minutes: nothing can be told by it." };
  return { explanation, points: thinTrace(trace, MOST_POINTS) };
}

export type RanDays = { days: DayOutcome[]; isOwn: boolean };

/** A car as it is and as it would be, on the worst days; by its good log where there is one that shows it. Throws a RangeError for figures that no car has. */
export function runDays(
  card: CoolingCard,
  good: GivenLog | undefined,
  change: WhatIf,
  altitudeM: number,
  onProgress: (share: number) => void,
): RanDays {
  const trace = good && readTrace(good.text).trace;
  const own =
    good &&
    trace &&
    ownCar(trace, carOf(card), { ...rested(good), onProgress: (share) => onProgress(0.7 * share) });
  const isOwn = own !== undefined && "car" in own;
  const from = isOwn ? 0.7 : 0;
  const days = whatIf(isOwn ? own.car : carOf(card), change, {
    isOwn,
    altitudeM,
    onProgress: (share) => onProgress(from + (1 - from) * share),
  });
  return { days, isOwn };
}

/**
 * A log held against a good one of the same car: the car as the good one shows it, then what has become of it. Runs in a worker.
 * `onProgress` hears 0 to 1.
 */
export function readHealth(
  card: CoolingCard,
  good: GivenLog,
  log: GivenLog,
  altitudeM: number,
  onProgress: (share: number) => void,
): ReadHealth {
  const [goodTrace, trace] = [readTrace(good.text).trace, readTrace(log.text).trace];
  if (!goodTrace) return { trouble: "The good log can't be read." };
  if (!trace) return { trouble: "This log can't be read." };
  let heard = -1;
  const tell = (from: number, to: number) => (share: number) => {
    const now = Math.round(100 * (from + (to - from) * share));
    if (now > heard) onProgress(now / 100);
    heard = Math.max(heard, now);
  };
  const own = ownCar(goodTrace, carOf(card), { ...rested(good), onProgress: tell(0, 0.6) });
  if ("because" in own) return { trouble: own.because };
  const fit = fitCar(trace, own.car, { ...rested(log), onProgress: tell(0.6, 0.95) });
  if (!fit) return { trouble: "This log has less than two minutes: nothing can be told by it." };
  const leastShare = leastShareFor(own.car, SCRIPTS[HOT_DAY], altitudeM);
  onProgress(1);
  return { fit, points: thinTrace(trace, MOST_POINTS), ...(leastShare !== undefined && { leastShare }) };
}
