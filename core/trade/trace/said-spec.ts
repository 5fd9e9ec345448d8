import type { TraceSpec } from "./analysis.ts";

/** What a log is read by: every figure there, the usual one where the card says none. */
export interface SaidSpec extends TraceSpec {
  thermostatOpensC: number;
  fanOffC: number[];
  /** What the card itself doesn't say: nothing is judged by it. */
  unsaid: {
    opening: boolean;
    /** A stage each. */
    stops: boolean[];
  };
}

/** Most thermostats open from 82 to 92 °C; between them a bend is looked for where nobody knows better. */
const USUAL_OPENS_C = 88;
/** Switches and computers let a fan go 4 to 8 °C below its start. */
const USUAL_SWING_C = 6;

/** A card's figures with the usual ones in the gaps, so that what happened can be made out; never judged by. */
export function saidSpec(spec: TraceSpec): SaidSpec {
  const stops = spec.fanOnC.map((_, stage) => spec.fanOffC[stage] ?? undefined);
  return {
    ...spec,
    thermostatOpensC: spec.thermostatOpensC ?? USUAL_OPENS_C,
    fanOffC: spec.fanOnC.map((onC, stage) => stops[stage] ?? onC - USUAL_SWING_C),
    unsaid: {
      opening: typeof spec.thermostatOpensC !== "number",
      stops: stops.map((stop) => stop === undefined),
    },
  };
}
