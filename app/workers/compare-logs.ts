import {
  type CurvePoint,
  compareTraces,
  readTrace,
  type TraceComparison,
  type TraceSpec,
  thinTrace,
} from "../../core/trade/trace/index.ts";

export interface ComparedLogs {
  comparison: TraceComparison;
  /** Both curves thinned out, the second one's clock put so that their knees lie over each other. */
  before: CurvePoint[];
  after: CurvePoint[];
}

const MOST_POINTS = 500;

/** Two logs of one car over each other; nothing where one of them can't be read. Runs in a worker. */
export function compareLogs(before: string, after: string, spec: TraceSpec): ComparedLogs | undefined {
  const [a, b] = [readTrace(before).trace, readTrace(after).trace];
  if (!a || !b) return undefined;
  const comparison = compareTraces(a, b, { spec });
  const shifted = thinTrace(b, MOST_POINTS).map((point) => ({ ...point, s: point.s + comparison.shiftS }));
  return { comparison, before: thinTrace(a, MOST_POINTS), after: shifted };
}
