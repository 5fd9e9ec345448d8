import type { CleanSignal } from "./clean-signal.ts";
import type { Regimes } from "./regimes.ts";
import type { SaidSpec } from "./said-spec.ts";
import type { Trace } from "./trace.ts";

/** What the log showed, for the checks to judge. */
export interface Findings {
  trace: Trace;
  clean: CleanSignal;
  regimes: Regimes;
  spec: SaidSpec;
  toleranceC: number;
  peakC: number;
}
