import type { Verdict } from "../../kernel/verdict/index.ts";
import type { TraceAnalysis, TraceEvent, TraceSpec } from "./analysis.ts";
import { toleranceOf } from "./card-lines.ts";

/**
 * What the checks of a log say of one thing that happened in it. One stage of a fan may fail while another is as it should be: then
 * each start and stop speaks for itself, but where the switch sits in the radiator and the curve can't tell.
 */
export function eventVerdict(
  { kind, stage = 1, coolantC }: TraceEvent,
  { checks }: Pick<TraceAnalysis, "checks">,
  spec: TraceSpec,
): Verdict {
  if (kind === "thermostat-opens") return checks.thermostat.verdict;
  if (kind !== "fan-on" && kind !== "fan-off") return "fail";
  const { verdict } = kind === "fan-on" ? checks.fanOn : checks.fanOff;
  if (verdict !== "fail" || spec.fanSenses === "radiator") return verdict;
  const wanted = (kind === "fan-on" ? spec.fanOnC : spec.fanOffC)[stage - 1];
  if (wanted === null) return "not-seen";
  return wanted !== undefined && Math.abs(coolantC - wanted) <= toleranceOf(spec) ? "pass" : "fail";
}
