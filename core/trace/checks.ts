import type { Judgement } from "../judgement/index.ts";
import type { CheckJudgement, CheckName } from "./analysis.ts";
import { checkFanOff, checkFanOn } from "./check-fans.ts";
import { checkThermostat } from "./check-thermostat.ts";
import type { Findings } from "./findings.ts";

/** After a night, sensor and intake air agree within this. */
const SOAK_APART_C = 5;
/** A start above this, well over the intake air, is a warm one. */
const WARM_START_C = 40;
const WARM_START_OVER_INTAKE_C = 15;
/** The climb may fall back this far before it counts as a jump. */
const SAW_TOOTH_C = 3;
/** A fan takes a moment to turn the curve round. */
const OVERSHOOT_C = 3;

const degrees = (celsius: number) => `${Math.round(celsius)} °C`;

function checkSignal({ dropouts }: Findings): Judgement {
  const first = dropouts[0];
  if (!first)
    return { verdict: "pass", measured: 0, expected: 0, because: "The signal never fell out or jumped." };
  const times = dropouts.length === 1 ? "once" : `${dropouts.length} times`;
  const open =
    first.coolantC <= -35
      ? ", which is what an open circuit reads"
      : first.coolantC >= 150
        ? ", which is what a short circuit reads"
        : "";
  return {
    verdict: "fail",
    measured: dropouts.length,
    expected: 0,
    because: `The signal fell out ${times}, first after ${Math.round(first.atS)} s to ${degrees(first.coolantC)}${open}: look at the sensor's plug and wire.`,
  };
}

function firstFigures(column: Float64Array): number | undefined {
  const figures = [...column.subarray(0, 15)]
    .filter((figure) => Number.isFinite(figure))
    .sort((a, b) => a - b);
  return figures[figures.length >> 1];
}

function checkSoak({ trace, curve }: Findings): Judgement {
  const coolantC = curve.mean(0, 10);
  const intakeC = trace.intakeC && firstFigures(trace.intakeC);
  if (intakeC === undefined)
    return {
      verdict: "not-seen",
      measured: coolantC,
      because: "The log has no intake air to hold the first reading against.",
    };
  if (coolantC >= WARM_START_C && coolantC > intakeC + WARM_START_OVER_INTAKE_C) {
    return {
      verdict: "not-seen",
      measured: coolantC,
      expected: intakeC,
      because: "The engine was warm at the start; after a night cold, sensor and intake air can be compared.",
    };
  }
  const apart = Math.abs(coolantC - intakeC);
  const agree = apart <= SOAK_APART_C;
  return {
    verdict: agree ? "pass" : "fail",
    measured: coolantC,
    expected: intakeC,
    because: `Cold, the sensor read ${degrees(coolantC)} and the intake air ${degrees(intakeC)}: ${agree ? "they agree" : `more than ${SOAK_APART_C} °C apart, so one of the two is wrong`}.`,
  };
}

function checkClimb({ curve, knee, fans, spec }: Findings): Judgement {
  const until = Math.round(knee?.at ?? fans[0]?.atS ?? curve.length);
  const startC = curve.mean(0, 10);
  if (startC > spec.thermostatOpensC - 10)
    return {
      verdict: "not-seen",
      because: "The engine was warm at the start, so there was no climb to watch.",
    };
  const smooth = curve.smooth(9);
  let high = smooth[0] ?? 0;
  let worst = 0;
  for (let cell = 0; cell < Math.min(until, smooth.length); cell++) {
    high = Math.max(high, smooth[cell] ?? 0);
    worst = Math.max(worst, high - (smooth[cell] ?? 0));
  }
  if (high - startC < 10) return { verdict: "not-seen", because: "It hardly warmed while it was logged." };
  const steady = worst <= SAW_TOOTH_C;
  return {
    verdict: steady ? "pass" : "fail",
    measured: worst,
    expected: SAW_TOOTH_C,
    because: steady
      ? "It climbed steadily."
      : `It fell back by ${degrees(worst)} on the way up: air passing the sensor, or a plug that comes and goes.`,
  };
}

function checkPeak({ peakC, spec, toleranceC }: Findings): Judgement {
  const highest = spec.fanOnC.length > 0 ? Math.max(...spec.fanOnC) : spec.thermostatOpensC + 15;
  const limit = highest + toleranceC + OVERSHOOT_C;
  const over = peakC > limit;
  return {
    verdict: over ? "fail" : "pass",
    measured: peakC,
    expected: limit,
    because: over
      ? `It reached ${degrees(peakC)}; with the last fan stage starting at ${degrees(highest)} it should have stayed under ${degrees(limit)}.`
      : `The hottest was ${degrees(peakC)}, under the ${degrees(limit)} that this card allows.`,
  };
}

/** Every check with its verdict, the figures behind it and the reason in one sentence. */
export function checkTrace(findings: Findings): Record<CheckName, CheckJudgement> {
  return {
    signal: checkSignal(findings),
    soak: checkSoak(findings),
    climb: checkClimb(findings),
    thermostat: checkThermostat(findings),
    fanOn: checkFanOn(findings),
    fanOff: checkFanOff(findings),
    peak: checkPeak(findings),
  };
}
