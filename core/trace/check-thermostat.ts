import type { CheckJudgement } from "./analysis.ts";
import type { Curve } from "./curve.ts";
import type { Findings } from "./findings.ts";

/** A log that starts this close under the opening has nothing left to show. */
const WARM_START_C = 10;
/** Past the opening by this much beyond the tolerance without a bend, it will not come. */
const WELL_PAST_C = 1.5;
/** A shut thermostat lets the engine climb nearly as fast hot as cool; one that hangs open does not. */
const HANGS_OPEN_SHARE = 0.55;
/** Slower than this a minute is a balance, not a climb. */
const LEVEL_C_PER_MINUTE = 0.5;
const LEVEL_FOR_S = 300;
const LONG_ENOUGH_S = 900;
/** A bend this far below the card's opening is no opening: it was open all along. */
const NEVER_SHUT_C = 12;

const degrees = (celsius: number) => `${Math.round(celsius)} °C`;

function crossing(smooth: Float64Array, celsius: number): number | undefined {
  const cell = smooth.findIndex((figure) => figure >= celsius);
  return cell < 0 ? undefined : cell;
}

function rateBetween(curve: Curve, smooth: Float64Array, fromC: number, toC: number): number | undefined {
  const from = crossing(smooth, fromC);
  const to = crossing(smooth, toC);
  return from === undefined || to === undefined || to - from < 20 ? undefined : curve.line(from, to).slope;
}

/** Whether the thermostat opened, and where, against the card. */
export function checkThermostat({ curve, knee, spec, toleranceC, fans }: Findings): CheckJudgement {
  const opensC = spec.thermostatOpensC;
  const smooth = curve.smooth(15);
  const startC = curve.mean(0, 10);
  const highC = smooth.reduce((high, figure) => Math.max(high, figure), startC);
  if (startC > opensC - WARM_START_C) {
    return {
      verdict: "not-seen",
      expected: opensC,
      because: `The log starts at ${degrees(startC)}, too warm to see it open. Start from cold.`,
    };
  }
  if (knee) {
    const right = Math.abs(knee.value - opensC) <= toleranceC;
    const where = `The climb bends at ${degrees(knee.value)}`;
    const isEarly = knee.value < opensC - NEVER_SHUT_C;
    return {
      verdict: right ? "pass" : "fail",
      ...(right ? {} : { failing: isEarly ? "early" : "elsewhere" }),
      measured: knee.value,
      expected: opensC,
      because: right
        ? `${where}; the card says ${degrees(opensC)}.`
        : `${where}, ${degrees(Math.abs(knee.value - opensC))} ${knee.value > opensC ? "above" : "below"} the card's ${degrees(opensC)}.`,
    };
  }
  const early = rateBetween(curve, smooth, startC + 15, startC + 40);
  const late = rateBetween(curve, smooth, opensC - 17, opensC - 3);
  if (early !== undefined && late !== undefined && late < HANGS_OPEN_SHARE * early) {
    return {
      verdict: "fail",
      failing: "early",
      measured: late * 60,
      expected: early * 60,
      because: `No bend at ${degrees(opensC)}, and the climb had slowed to ${(late * 60).toFixed(1)} °C a minute from ${(early * 60).toFixed(1)} long before it: the thermostat hangs open.`,
    };
  }
  if (highC > opensC + toleranceC + WELL_PAST_C) {
    const slowed = fans.length > 0 ? "" : ", and nothing slowed it";
    return {
      verdict: "fail",
      failing: "never",
      measured: highC,
      expected: opensC,
      because: `It climbed to ${degrees(highC)} without a bend near ${degrees(opensC)}${slowed}: the thermostat did not open there.`,
    };
  }
  const endRate = curve.line(curve.length - LEVEL_FOR_S, curve.length).slope * 60;
  if (highC < opensC - toleranceC && curve.length > LONG_ENOUGH_S && endRate < LEVEL_C_PER_MINUTE) {
    return {
      verdict: "fail",
      failing: "early",
      measured: highC,
      expected: opensC,
      because: `It levels off at ${degrees(highC)} and never gets to ${degrees(opensC)}: the thermostat hangs open, or the air is very cold.`,
    };
  }
  return {
    verdict: "not-seen",
    measured: highC,
    expected: opensC,
    because: `It got to ${degrees(highC)}; the opening at ${degrees(opensC)} was not seen yet. Let it run on.`,
  };
}
