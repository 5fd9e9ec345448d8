import { RADIATOR_LAG_C } from "../limits/index.ts";
import type { CheckJudgement, CheckName } from "./analysis.ts";
import { checkFanOff, checkFanOn } from "./check-fans.ts";
import { checkSoak } from "./check-soak.ts";
import { checkThermostat } from "./check-thermostat.ts";
import { degrees } from "./degrees.ts";
import type { Findings } from "./findings.ts";

/** The climb may fall back this far before it counts as a jump. */
const SAW_TOOTH_C = 3;
/** A fan takes a moment to turn the curve round. */
const OVERSHOOT_C = 3;
/** No raised revs excuse more than this. */
const FAR_BEYOND_C = 15;
/** Few thermostats open below this: up to here a climb is a climb, whatever the card doesn't say. */
const EARLIEST_OPENS_C = 76;
/** With no fan on the card, how far over the thermostat's opening an engine may stand. */
const OVER_OPENING_C = 15;

function checkSignal({ clean: { dropouts, slugs } }: Findings): CheckJudgement {
  const first = dropouts[0];
  if (!first)
    return slugs.length === 0
      ? { verdict: "pass", measured: 0, expected: 0, because: "The signal never fell out or jumped." }
      : {
          verdict: "not-seen",
          measured: slugs.length,
          expected: 0,
          because: `The signal leapt off and back ${slugs.length === 1 ? "once" : `${slugs.length} times`}: air passing the sensor does that, and so does a loose plug. Look at the plug, then bleed.`,
        };
  const times = dropouts.length === 1 ? "once" : `${dropouts.length} times`;
  const circuit = first.coolantC < 0 ? "an open circuit" : "a short circuit";
  return {
    verdict: "fail",
    measured: dropouts.length,
    expected: 0,
    because: `The signal fell out ${times}, first after ${Math.round(first.atS)} s to ${degrees(first.coolantC)}, which is what ${circuit} reads: look at the sensor's plug and wire.`,
  };
}

function checkClimb({ regimes, clean, spec }: Findings): CheckJudgement {
  const { curve, startC, shut, fans, holds } = regimes;
  const slugs = clean.slugs.length;
  if (slugs > 0)
    return {
      verdict: "fail",
      measured: slugs,
      expected: 0,
      because: `It leapt off and back ${slugs === 1 ? "once" : `${slugs} times`}, by ${degrees(Math.max(...clean.slugs.map(({ offC }) => Math.abs(offC))))} at the most: air passing the sensor, or a plug that comes and goes.`,
    };
  const opensC = spec.unsaid.opening ? EARLIEST_OPENS_C : spec.thermostatOpensC;
  if (startC > opensC - 10)
    return {
      verdict: "not-seen",
      because: "The engine was warm at the start, so there was no climb to watch.",
    };
  const until = Math.round(shut.opening?.at ?? fans.events[0]?.turn.at ?? curve.length);
  const smooth = curve.smooth(9);
  let high = smooth[0] ?? 0;
  let worst = 0;
  for (let cell = 0; cell < Math.min(until, smooth.length); cell++) {
    const figure = smooth[cell] ?? 0;
    high = Math.max(high, figure);
    if (high < opensC - SAW_TOOTH_C && !holds.some(({ to }) => cell > to - 5 && cell < to + 90))
      worst = Math.max(worst, high - figure);
  }
  if (high - startC < 10) return { verdict: "not-seen", because: "It hardly warmed while it was logged." };
  const isSteady = worst <= SAW_TOOTH_C;
  return {
    verdict: isSteady ? "pass" : "fail",
    measured: worst,
    expected: SAW_TOOTH_C,
    because: isSteady
      ? "It climbed steadily."
      : `It fell back by ${degrees(worst)} on the way up: air passing the sensor, or a plug that comes and goes.`,
  };
}

function checkPeak({ peakC, spec, toleranceC, regimes }: Findings): CheckJudgement {
  if (spec.fanOnC.length === 0 && spec.unsaid.opening)
    return {
      verdict: "not-seen",
      measured: peakC,
      because: `The hottest was ${degrees(peakC)}; the card says neither where the thermostat opens nor where a fan starts, so how hot it may get isn't known.`,
    };
  const highest = spec.fanOnC.length > 0 ? Math.max(...spec.fanOnC) : spec.thermostatOpensC + OVER_OPENING_C;
  const isRadiator = spec.fanSenses === "radiator" && spec.fanOnC.length > 0;
  const limit = highest + toleranceC + OVERSHOOT_C + (isRadiator ? RADIATOR_LAG_C.usualMost : 0);
  const felt = isRadiator ? ", felt in the radiator's cooled end," : "";
  if (peakC <= limit)
    return {
      verdict: "pass",
      measured: peakC,
      expected: limit,
      because: `The hottest was ${degrees(peakC)}, under the ${degrees(limit)} that this card allows.`,
    };
  const isBeyond = peakC > limit + (isRadiator ? RADIATOR_LAG_C.most - RADIATOR_LAG_C.usualMost : 0);
  const isFarBeyond = peakC > limit + FAR_BEYOND_C;
  if (!isFarBeyond && (!isBeyond || regimes.holds.length > 0))
    return {
      verdict: "not-seen",
      measured: peakC,
      expected: limit,
      because: `It reached ${degrees(peakC)}, over the ${degrees(limit)} that this card allows at idle${regimes.holds.length > 0 ? ", with the revs raised" : ""}: watch it, and log it once more at idle.`,
    };
  return {
    verdict: "fail",
    measured: peakC,
    expected: limit,
    because: `It reached ${degrees(peakC)}; with the last fan stage starting at ${degrees(highest)}${felt} it should have stayed under ${degrees(limit)}.`,
  };
}

const FELT_BY_THE_SENSOR = ["thermostat", "fanOn", "fanOff", "peak"] as const;

/** A sensor that lies cold lies hot: what it read says nothing about thermostat, switch or peak. */
function withoutTheLiar(checks: Record<CheckName, CheckJudgement>): Record<CheckName, CheckJudgement> {
  const { soak } = checks;
  if (soak.verdict !== "fail") return checks;
  const offC = (soak.measured ?? 0) - (soak.expected ?? 0);
  const lies = `The sensor read ${degrees(Math.abs(offC))} ${offC > 0 ? "over" : "under"} the air cold, so this reading can't be trusted.`;
  const unsure = Object.fromEntries(
    FELT_BY_THE_SENSOR.map((name) => {
      const { failing: _, ...check } = checks[name];
      return [name, { ...check, verdict: "not-seen", because: `${lies} ${check.because}` }];
    }),
  );
  return { ...checks, ...unsure };
}

/** Every check with its verdict, the figures behind it and the reason in one sentence. */
export function checkTrace(findings: Findings): Record<CheckName, CheckJudgement> {
  return withoutTheLiar({
    signal: checkSignal(findings),
    soak: checkSoak(findings),
    climb: checkClimb(findings),
    thermostat: checkThermostat(findings),
    fanOn: checkFanOn(findings),
    fanOff: checkFanOff(findings),
    peak: checkPeak(findings),
  });
}
