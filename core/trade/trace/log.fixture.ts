import { simulateWarmUp, type WarmUp } from "../thermal/index.ts";
import type { TraceSpec } from "./analysis.ts";
import type { Trace } from "./trace.ts";

/** A simulated warm-up as a trace, with the card that belongs to its car and the events that truly happened. */
export function simulated(warmUp: WarmUp) {
  const { rows, events } = simulateWarmUp(warmUp);
  const column = (name: "s" | "coolantC" | "intakeC" | "rpm") => Float64Array.from(rows, (row) => row[name]);
  const trace: Trace = {
    s: column("s"),
    coolantC: column("coolantC"),
    intakeC: column("intakeC"),
    rpm: column("rpm"),
    marks: [],
  };
  const spec: TraceSpec = {
    thermostatOpensC: warmUp.car.thermostatOpensC,
    fanOnC: warmUp.car.fans.map((fan) => fan.onC),
    fanOffC: warmUp.car.fans.map((fan) => fan.offC),
  };
  return { trace, spec, events, rows };
}
