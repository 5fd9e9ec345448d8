import { WARM_FROM_C } from "../limits/index.ts";
import type { CheckJudgement } from "./analysis.ts";
import { degrees } from "./degrees.ts";
import type { Findings } from "./findings.ts";

/** After a night, sensor and intake air agree within this. */
const APART_C = 5;
/** Coolant takes this long to stand at the air's temperature. */
const STOOD_H = 6;
/** A start this far above the intake air is a warm one. */
const WARM_OVER_INTAKE_C = 15;
const FIRST_SAMPLES = 15;
const FIRST_S = 10;
/** Metal warms before coolant: from a true start the first seconds climb less than this share of what follows. */
const FLAT_SHARE = 0.85;
const FLAT_S = 15;
const CLIMB_FROM_S = 30;
const CLIMB_TO_S = 75;
const CLIMBING_C_PER_S = 0.02;

function firstFigures(column: Float64Array): number | undefined {
  const figures = [...column.subarray(0, FIRST_SAMPLES)]
    .filter((figure) => Number.isFinite(figure))
    .sort((a, b) => a - b);
  return figures[figures.length >> 1];
}

/** Whether the log began with the engine's start, not somewhere on the way up. */
function beganAtStart({ regimes: { curve } }: Findings): boolean {
  const climb = curve.line(CLIMB_FROM_S, CLIMB_TO_S).slope;
  return climb < CLIMBING_C_PER_S || curve.line(0, FLAT_S).slope < FLAT_SHARE * climb;
}

/**
 * The cold coolant sensor against the intake air, more than 5 °C apart fails: only where the engine is known to have
 * stood for 6 h, since half-cooled coolant is warmer than the air with nothing wrong.
 */
export function checkSoak(findings: Findings): CheckJudgement {
  const { trace, regimes, spec, clean } = findings;
  if (!clean.known.subarray(0, FIRST_S).some((cell) => cell === 1))
    return {
      verdict: "not-seen",
      because: "The coolant sensor said nothing at the start, so it can't be compared.",
    };
  const coolantC = regimes.curve.mean(0, FIRST_S);
  const intakeC = trace.intakeC && firstFigures(trace.intakeC);
  if (intakeC === undefined)
    return { verdict: "not-seen", because: "No intake air in the log to compare the cold sensor with." };
  const figures = { measured: coolantC, expected: intakeC };
  const apartC = coolantC - intakeC;
  const { restedH } = spec;
  const both = `the sensor read ${degrees(coolantC)} and the intake air ${degrees(intakeC)}`;
  if (restedH !== undefined && restedH < STOOD_H)
    return {
      ...figures,
      verdict: "not-seen",
      because: `The engine had stood for less than ${STOOD_H} h; after a night cold, sensor and intake air can be compared.`,
    };
  if (Math.abs(apartC) <= APART_C)
    return { ...figures, verdict: "pass", because: `Cold, ${both}: they agree.` };
  if (restedH === undefined && apartC > 0) {
    const isWarm = coolantC > WARM_FROM_C || apartC > WARM_OVER_INTAKE_C;
    return {
      ...figures,
      verdict: "not-seen",
      because: isWarm
        ? "The engine was warm at the start; after a night cold, sensor and intake air can be compared."
        : `At the start ${both}: a half-cooled engine, or a sensor that reads wrong. How long had it stood?`,
    };
  }
  if (apartC > 0 && !beganAtStart(findings))
    return {
      ...figures,
      verdict: "not-seen",
      because: `At the first reading ${both}, but the engine was warming already: start the log before the engine.`,
    };
  return {
    ...figures,
    verdict: "fail",
    because: `Cold, ${both}: more than ${APART_C} °C apart, so one of the two is wrong.`,
  };
}
