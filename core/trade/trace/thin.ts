import type { Trace } from "./trace.ts";

export interface CurvePoint {
  s: number;
  coolantC: number;
  rpm?: number;
}

/**
 * A trace thinned out for drawing: runs of equal length, each with the clock and the revs of its first row and the mean
 * of its coolant. A trace of no more rows than asked for comes back row by row.
 * @param most How many points at most, 1 or more.
 */
export function thinTrace(trace: Trace, most: number): CurvePoint[] {
  const rows = trace.s.length;
  const step = Math.max(1, Math.ceil(rows / most));
  return Array.from({ length: Math.ceil(rows / step) }, (_, place) => {
    const first = place * step;
    const run = trace.coolantC.subarray(first, first + step);
    const rpm = trace.rpm?.[first];
    return {
      s: trace.s[first] ?? 0,
      coolantC: run.reduce((sum, each) => sum + each, 0) / run.length,
      ...(rpm !== undefined && Number.isFinite(rpm) ? { rpm } : {}),
    };
  });
}
