import {
  analyseTrace,
  type Mark,
  readTrace,
  type TraceAnalysis,
  type TraceProblem,
  type TraceSpec,
} from "../../../core/trace/index.ts";

export interface CurvePoint {
  s: number;
  coolantC: number;
  rpm?: number;
}

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
  const step = Math.max(1, Math.ceil(trace.s.length / MOST_POINTS));
  const points: CurvePoint[] = [];
  for (let i = 0; i < trace.s.length; i += step) {
    let sum = 0;
    const end = Math.min(i + step, trace.s.length);
    for (let k = i; k < end; k++) sum += trace.coolantC[k] ?? 0;
    const rpm = trace.rpm?.[i];
    points.push({
      s: trace.s[i] ?? 0,
      coolantC: sum / (end - i),
      ...(rpm !== undefined && Number.isFinite(rpm) ? { rpm } : {}),
    });
  }
  return {
    problems,
    assumed,
    rows: trace.s.length,
    points,
    marks: trace.marks,
    analysis: analyseTrace(trace, spec),
  };
}
