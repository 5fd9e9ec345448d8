export { analyseTrace } from "./analyse-trace.ts";
export {
  CHECKS,
  type CheckJudgement,
  type CheckName,
  FAILINGS,
  type Failing,
  type TraceAnalysis,
  type TraceEvent,
  type TraceSpec,
} from "./analysis.ts";
export { type CardLine, cardLines, toleranceOf } from "./card-lines.ts";
export {
  type ComparedUnder,
  compareTraces,
  type TraceComparison,
  type TraceFigures,
} from "./compare-traces.ts";
export { decodeLog } from "./decode-log.ts";
export { eventVerdict } from "./event-verdict.ts";
export { type LiveAdvice, liveAdvice } from "./live-advice.ts";
export { type LiveSample, liveTrace } from "./live-trace.ts";
export { MOST_CHARACTERS } from "./log-door.ts";
export { BENCH_SAYS } from "./marks.ts";
export { readTrace } from "./read-trace.ts";
export { type CurvePoint, thinTrace } from "./thin.ts";
export type { Mark, Trace, TraceProblem, TraceReading } from "./trace.ts";
export { writeTrace } from "./write-trace.ts";
