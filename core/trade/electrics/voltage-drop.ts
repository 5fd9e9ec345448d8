import type { Judgement } from "../../kernel/verdict/index.ts";
import { inRange } from "./in-range.ts";

export interface VoltageDrop extends Judgement {
  dropV: number;
  ohms: number;
  wattsLost: number;
}

/** What a sound side of a 12 V fan's circuit loses under load: a rule of the trade, half of it in the joints. */
const MOST_DROP_V = 0.5;
/** No 12 V supply reads as much; one of 24 V may lose twice that, the same share of it. */
const FROM_24_V = 18;
/** Below this current a bad joint passes its test. */
const LEAST_LOAD_A = 1;
/** Two readings of a meter apart. */
const METER_V = 0.05;

/**
 * What one side of a circuit loses under load: volts between `source` and `load`, the resistance that makes it (Ohm's
 * law) and the watts that heat it. `source` and `load` from 0 to 60 V, `amps` from 0 to 200 A, else `RangeError`. Pass
 * up to 0.5 V, up to 1 V from a source of 18 V and more (a 24 V supply); not seen under 1 A, where even a bad joint loses
 * nothing.
 */
export function voltageDrop({
  source,
  load,
  amps,
}: {
  source: number;
  load: number;
  amps: number;
}): VoltageDrop {
  inRange(source, 0, 60, "V at the source");
  inRange(load, 0, 60, "V at the load");
  inRange(amps, 0, 200, "A of load");
  if (load > source + METER_V)
    throw new RangeError(
      `${load} V at the load is more than ${source} V at the source; are the probes swapped?`,
    );
  const dropV = Math.max(0, source - load);
  const mostV = source >= FROM_24_V ? 2 * MOST_DROP_V : MOST_DROP_V;
  const figures = {
    dropV,
    ohms: amps > 0 ? dropV / amps : 0,
    wattsLost: dropV * amps,
    measured: dropV,
    expected: mostV,
  };
  const drop = `${dropV.toFixed(2)} V at ${amps} A`;
  if (amps < LEAST_LOAD_A)
    return {
      ...figures,
      verdict: "not-seen",
      because: `${drop}: with under ${LEAST_LOAD_A} A even a bad joint loses nothing. Load it with the fan or a lamp.`,
    };
  const isSound = dropV <= mostV + 1e-9;
  return {
    ...figures,
    verdict: isSound ? "pass" : "fail",
    because: `${drop} is ${isSound ? "within" : "over"} ${mostV} V: ${figures.ohms.toFixed(3)} Ω, ${figures.wattsLost.toFixed(1)} W lost${isSound ? "" : "; look for a green or hot joint on that side"}.`,
  };
}
