import type { TraceSpec } from "../trace/index.ts";
import type { CoolingCard } from "./cooling-card.ts";

/** What a log of this car is judged by; `restedH` hours that the engine had stood before it, where somebody knows. */
export function traceSpecOf(
  {
    thermostatOpensC,
    fanOnC,
    fanOffC,
    fanSenses,
  }: Pick<CoolingCard, "thermostatOpensC" | "fanOnC" | "fanOffC" | "fanSenses">,
  restedH?: number,
): TraceSpec {
  return { thermostatOpensC, fanOnC, fanOffC, fanSenses, ...(restedH === undefined ? {} : { restedH }) };
}
