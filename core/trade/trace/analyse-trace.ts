import type { TraceAnalysis, TraceEvent, TraceSpec } from "./analysis.ts";
import { toleranceOf } from "./card-lines.ts";
import { checkTrace } from "./checks.ts";
import { cleanSignal } from "./clean-signal.ts";
import { refuseSpec, refuseTrace } from "./refuse.ts";
import { type Regimes, readRegimes } from "./regimes.ts";
import { saidSpec } from "./said-spec.ts";
import { silentSensor } from "./silent-sensor.ts";
import type { Trace } from "./trace.ts";

const PEAK_OVER_S = 5;

function eventsOf({ shut, fans, holds, curve }: Regimes): TraceEvent[] {
  const { opening } = shut;
  return [
    ...(opening ? [{ kind: "thermostat-opens" as const, atS: opening.at, coolantC: opening.coolantC }] : []),
    ...fans.events.map(({ kind, stage, turn: { at, coolantC } }) => ({ kind, stage, atS: at, coolantC })),
    ...holds.map(({ from }) => ({
      kind: "revs-raised" as const,
      atS: from,
      coolantC: curve.mean(from, from + 1),
    })),
  ];
}

/**
 * What happened in a warm-up and whether it happened where the card says. Temperatures in °C, times in seconds from
 * the first row. Works on whole-degree sensors at 1 to 10 readings a second with ±1 °C of jitter. `spec` figures from
 * 40 to 150 °C and a tolerance from 0 to 20 °C, times that rise and are finite, else `RangeError`. `peakC` is the
 * highest five-second mean; a figure that the card doesn't say leaves its own check not seen and judges nothing else; a sensor that never spoke has the figure it was stuck at. Method: the heat balance of the
 * shut engine in its integral form (least squares), and dynamic programming over fan states; no outside source.
 */
export function analyseTrace(trace: Trace, spec: TraceSpec): TraceAnalysis {
  refuseSpec(spec);
  refuseTrace(trace);
  const toleranceC = toleranceOf(spec);
  const clean = cleanSignal(trace);
  if (clean.valid < 2) return silentSensor(trace, clean);
  const said = saidSpec(spec);
  const regimes = readRegimes(clean, said, trace.marks);
  const events: TraceEvent[] = [
    ...eventsOf(regimes),
    ...clean.dropouts.map(({ atS, coolantC }) => ({ kind: "dropout" as const, atS, coolantC })),
  ];
  events.sort((a, b) => a.atS - b.atS);
  const smooth = regimes.curve.smooth(PEAK_OVER_S);
  const peakC = smooth.reduce((peak, figure) => Math.max(peak, figure), smooth[0] ?? 0);
  return { events, checks: checkTrace({ trace, clean, regimes, spec: said, toleranceC, peakC }), peakC };
}
