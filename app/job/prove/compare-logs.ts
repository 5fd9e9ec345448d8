import { compareTraces, readTrace, type TraceComparison, type TraceSpec } from "../../../core/trace/index.ts";

export interface ComparedLogs {
  comparison: TraceComparison;
  /** Both curves thinned out, the second one's clock put so that their knees lie over each other. */
  before: { s: number; coolantC: number }[];
  after: { s: number; coolantC: number }[];
}

const MOST_POINTS = 500;

/** Two logs of one car over each other; nothing where one of them can't be read. Runs in a worker. */
export function compareLogs(before: string, after: string, spec: TraceSpec): ComparedLogs | undefined {
  const [a, b] = [readTrace(before).trace, readTrace(after).trace];
  if (!a || !b) return undefined;
  const comparison = compareTraces(a, b, { spec });
  const thin = (trace: typeof a, shiftS: number) => {
    const step = Math.max(1, Math.ceil(trace.s.length / MOST_POINTS));
    return Array.from({ length: Math.floor(trace.s.length / step) }, (_, index) => {
      const row = trace.coolantC.subarray(index * step, (index + 1) * step);
      return {
        s: (trace.s[index * step] ?? 0) + shiftS,
        coolantC: row.reduce((sum, each) => sum + each, 0) / row.length,
      };
    });
  };
  return { comparison, before: thin(a, 0), after: thin(b, comparison.shiftS) };
}
