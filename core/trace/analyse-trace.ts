import type { TraceAnalysis, TraceEvent, TraceSpec } from "./analysis.ts";
import { checkTrace } from "./checks.ts";
import { cleanSignal } from "./clean-signal.ts";
import { Curve } from "./curve.ts";
import { fanEvents } from "./fan-events.ts";
import { findTurns } from "./find-fans.ts";
import { findKnee } from "./find-knee.ts";
import { revsRaised, revsSteps } from "./revs.ts";
import type { Trace } from "./trace.ts";

/** 3 to 5 °C either way is what switches and thermostats are made to. */
const USUAL_TOLERANCE_C = 4;

function refuse(spec: TraceSpec): void {
  const figures = [spec.thermostatOpensC, ...spec.fanOnC, ...spec.fanOffC];
  for (const figure of figures) {
    if (!(figure >= 40 && figure <= 150))
      throw new RangeError(`${figure} °C on the card is outside 40 to 150 °C`);
  }
  if (spec.fanOnC.length !== spec.fanOffC.length) {
    throw new RangeError(
      `the card names ${spec.fanOnC.length} fan starts and ${spec.fanOffC.length} stops; each start wants its stop`,
    );
  }
  for (const [index, onC] of spec.fanOnC.entries()) {
    const offC = spec.fanOffC[index] ?? onC;
    if (offC >= onC)
      throw new RangeError(
        `fan stage ${index + 1} stops at ${offC} °C, which is not below its start at ${onC} °C`,
      );
  }
}

/**
 * What happened in a warm-up and whether it happened where the card says. Temperatures in °C, times in seconds from
 * the first row. Works on whole-degree sensors at 1 to 10 readings a second with ±1 °C of jitter. `spec` figures from
 * 40 to 150 °C, else `RangeError`. `peakC` is the highest five-second mean. Method: piecewise least squares on the
 * one-second means (bends of the climb, turns of the saw-tooth), no outside source.
 */
export function analyseTrace(trace: Trace, spec: TraceSpec): TraceAnalysis {
  refuse(spec);
  if (trace.s.length < 2) throw new RangeError(`${trace.s.length} rows are too few: a log wants at least 2`);
  const toleranceC = spec.toleranceC ?? USUAL_TOLERANCE_C;
  const { grid, startS, dropouts } = cleanSignal(trace);
  const curve = new Curve(grid);
  const steps = revsSteps(trace).map((step) => step - startS);
  const turns = findTurns(curve, 0);
  const hotTop = turns.find(
    (turn) => turn.kind === "top" && spec.fanOnC.some((onC) => turn.coolantC >= onC - toleranceC - 2),
  );
  const knee = findKnee(curve, Math.round(hotTop?.atS ?? curve.length), spec.thermostatOpensC, steps);
  const fans = fanEvents({ curve, turns, knee, spec, toleranceC, revsSteps: steps });
  const events: TraceEvent[] = [
    ...(knee ? [{ kind: "thermostat-opens" as const, atS: knee.at, coolantC: knee.value }] : []),
    ...fans,
    ...dropouts.map(({ atS, coolantC }) => ({ kind: "dropout" as const, atS: atS - startS, coolantC })),
    ...revsRaised(trace).map((atS) => ({
      kind: "revs-raised" as const,
      atS: atS - startS,
      coolantC: grid[Math.round(atS - startS)] ?? 0,
    })),
  ];
  events.sort((a, b) => a.atS - b.atS);
  const smooth = curve.smooth(5);
  const peakC = smooth.reduce((peak, figure) => Math.max(peak, figure), Number.NEGATIVE_INFINITY);
  return {
    events,
    checks: checkTrace({ trace, curve, knee, fans, dropouts, spec, toleranceC, peakC }),
    peakC,
  };
}
