import { CHECKS, type CheckJudgement, type CheckName, type TraceAnalysis } from "./analysis.ts";
import type { CleanSignal } from "./clean-signal.ts";
import type { Trace } from "./trace.ts";

const FREEZING_C = -35;

/** A log without a valid sample says one thing: look at the sensor. Nothing else passes, fails or is known from it. */
export function silentSensor(trace: Trace, { dropouts, valid }: CleanSignal): TraceAnalysis {
  const read = trace.coolantC.filter((figure) => Number.isFinite(figure));
  const first = read[0];
  const peakC = read.reduce((peak, figure) => Math.max(peak, figure), first ?? 0);
  const circuit =
    first === undefined
      ? "read nothing at all"
      : valid > 0
        ? "gave a single reading that can be true"
        : first <= FREEZING_C
          ? `read ${Math.round(first)} °C throughout, which is what an open circuit reads`
          : `read ${Math.round(first)} °C throughout, which is what a short circuit reads`;
  const unknown: CheckJudgement = {
    verdict: "not-seen",
    because: "The coolant sensor said nothing that can be true, so this can't be told from the log.",
  };
  const checks = Object.fromEntries(CHECKS.map((name) => [name, unknown])) as Record<
    CheckName,
    CheckJudgement
  >;
  checks.signal = {
    verdict: "fail",
    failing: "never",
    ...(first === undefined || valid > 0 ? {} : { measured: first }),
    because: `The coolant sensor ${circuit}: look at its plug, its wire and the sensor itself.`,
  };
  return {
    events: dropouts.map(({ atS, coolantC }) => ({ kind: "dropout", atS, coolantC })),
    checks,
    peakC,
  };
}
