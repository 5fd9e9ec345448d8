import type { TraceEvent, TraceSpec } from "./analysis.ts";
import type { Dropout } from "./clean-signal.ts";
import type { Curve, Hinge } from "./curve.ts";
import type { Trace } from "./trace.ts";

/** What the curve showed, for the checks to judge. */
export interface Findings {
  trace: Trace;
  curve: Curve;
  knee: Hinge | undefined;
  fans: TraceEvent[];
  dropouts: Dropout[];
  spec: TraceSpec;
  toleranceC: number;
  peakC: number;
}
