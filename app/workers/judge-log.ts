import {
  analyseTrace,
  type CurvePoint,
  type Mark,
  readTrace,
  type TraceAnalysis,
  type TraceProblem,
  type TraceSpec,
  thinTrace,
} from "../../core/trade/trace/index.ts";

export interface JudgedLog {
  problems: TraceProblem[];
  assumed: string[];
  /** Absent where the log can't be read. */
  rows?: number;
  /** The curve thinned out for drawing. */
  points?: CurvePoint[];
  marks?: Mark[];
  analysis?: TraceAnalysis;
}

const MOST_POINTS = 1200;

/** Reads a log, judges it by a card and thins its curve for the chart. Runs in a worker. */
export function judgeLog(text: string, spec: TraceSpec): JudgedLog {
  const { trace, problems, assumed } = readTrace(text);
  if (!trace) return { problems, assumed };
  return {
    problems,
    assumed,
    rows: trace.s.length,
    points: thinTrace(trace, MOST_POINTS),
    marks: trace.marks,
    analysis: analyseTrace(trace, spec),
  };
}
