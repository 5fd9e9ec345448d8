import { NEVER_SHUT_C } from "../limits/index.ts";
import type { CheckJudgement } from "./analysis.ts";
import { degrees } from "./degrees.ts";
import type { Findings } from "./findings.ts";
import { isIdle } from "./revs.ts";
import { coldestAir, whereItSettles } from "./where-it-settles.ts";

/** A log that starts this close under the opening has nothing left to show. */
const WARM_START_C = 10;
/** After less of a climb than this a bend elsewhere proves nothing. */
const LEAST_CLIMB_C = 25;
/** Between the tolerance and this much beyond it nobody can say. */
const UNSURE_C = 1.5;
/** Wax follows its water by up to this: a quick climb overshoots the opening. */
const WAX_LAG_S = 25;
/** A fan that turns the climb here, and again at the same temperature, looks like a bend of it. */
const FAN_NEAR_S = 60;
const FAN_REPEATS_C = 2.5;
/** An engine that reached the opening at less than this share of its quickest climb was being cooled all the way. */
const HANGS_OPEN_SHARE = 0.3;
/** Slower than this a minute is a balance, not a climb. */
const LEVEL_C_PER_MINUTE = 0.3;
const LEVEL_FOR_S = 300;
const LONG_ENOUGH_S = 900;
/** A heater on a cold day can hold a shut engine this far over the air, but hardly less. */
const HEATER_HOLDS_C = 55;

/**
 * Shut and without its heater, an engine's own surface lets its climb settle at a hundred degrees over the air and more: of 2,400 sound
 * cars of the test's five-node model none came to less than this. Told less well where revs were raised. A heater on full takes as much
 * as a thermostat that hangs open, in any air: only who says that it was off lets it be told.
 */
const SHUT_SETTLES_C = 76;
const REVVED_SETTLES_C = 68;
/** So far a climb has come that a heater can't have taken anything to speak of yet, °C. */
const HARDLY_BEGUN_C = 10;
const OPEN_OR_HEATER =
  ": a thermostat that hangs open does that, and so does a heater that is on. Heater off, then feel the lower hose: warm means it hangs open. Log it again from cold, mark “heater off” as it begins, and the log tells.";

type Seen = Pick<CheckJudgement, "verdict" | "because" | "measured" | "failing">;

const highestOf = ({ regimes: { curve, startC } }: Findings): number =>
  curve.smooth(15).reduce((high, figure) => Math.max(high, figure), startC);

function judgeOpening({ spec, toleranceC, regimes }: Findings): Seen | undefined {
  const { opening } = regimes.shut;
  if (!opening) return undefined;
  const opensC = spec.thermostatOpensC;
  const offC = opening.coolantC - opensC;
  const overshootC = WAX_LAG_S * Math.max(0, opening.before);
  const where = `The climb bends at ${degrees(opening.coolantC)}`;
  const measured = opening.coolantC;
  const tops = regimes.turns.filter(({ kind }) => kind === "top");
  const topHere = tops.find(({ at }) => Math.abs(at - opening.at) < FAN_NEAR_S);
  const isRepeated =
    topHere &&
    regimes.fans.events.some(
      ({ kind, turn }) => kind === "fan-on" && Math.abs(turn.coolantC - topHere.coolantC) < FAN_REPEATS_C,
    );
  if (!opening.isProven)
    return {
      verdict: "not-seen",
      measured,
      because: `${where}, but the revs were raised on the way there and could hide another. From cold, at idle, it shows.`,
    };
  if (isRepeated)
    return {
      verdict: "not-seen",
      measured,
      because: `${where}, where a fan starts as well: which of the two bent it can't be told.`,
    };
  if (offC >= -toleranceC && offC <= toleranceC + Math.max(0, overshootC - UNSURE_C))
    return { verdict: "pass", measured, because: `${where}; the card says ${degrees(opensC)}.` };
  if (offC >= -toleranceC - UNSURE_C && offC <= toleranceC + Math.max(UNSURE_C, overshootC))
    return {
      verdict: "not-seen",
      measured,
      because: `${where}, at the edge of what the card's ${degrees(opensC)} allows: log it once more, without raised revs.`,
    };
  if (opening.coolantC - regimes.startC < LEAST_CLIMB_C)
    return {
      verdict: "not-seen",
      measured,
      because: `${where}, soon after a warm start, where the metal's heat bends it too. Start from cold.`,
    };
  return {
    verdict: "fail",
    failing: offC < -NEVER_SHUT_C ? "early" : "elsewhere",
    measured,
    because: `${where}, ${degrees(Math.abs(offC))} ${offC > 0 ? "above" : "below"} the card's ${degrees(opensC)}.`,
  };
}

/** An engine that climbed past the opening as only one without an opening thermostat does. */
function judgeNoOpening({ spec, toleranceC, regimes }: Findings): Seen | undefined {
  const { shut, curve, startC } = regimes;
  const opensC = spec.thermostatOpensC;
  const smooth = curve.smooth(15);
  const at = smooth.findIndex((figure) => figure >= opensC);
  const rate = at > 0 ? curve.line(Math.max(0, at - 60), at + 60).slope : 0;
  const limitC = opensC + toleranceC + UNSURE_C + WAX_LAG_S * Math.max(0, rate);
  const measured = shut.shutToC;
  const cellAt = (celsius: number) => smooth.findIndex((figure) => figure >= celsius);
  const isRevved = !isIdle(regimes.holds, cellAt(opensC - WARM_START_C), cellAt(Math.min(limitC, measured)));
  if (regimes.witnesses.some(({ kind }) => kind === "hose-hot")) return undefined;
  if (!(measured > limitC) || startC > opensC - 2 * WARM_START_C || isRevved) return undefined;
  if (rate < HANGS_OPEN_SHARE * shut.quickest)
    return {
      verdict: "fail",
      failing: "early",
      measured,
      because: `No bend at ${degrees(opensC)}, which it passed at ${(rate * 60).toFixed(1)} °C a minute after ${(shut.quickest * 60).toFixed(1)} at first: the thermostat hangs open.`,
    };
  return {
    verdict: "fail",
    failing: "never",
    measured,
    because: `It climbed to ${degrees(measured)} without a bend near ${degrees(opensC)}: the thermostat did not open there.`,
  };
}

/** Said while the climb had hardly begun, and not on since: a heater that is turned off later has taken its heat already. */
function wasHeaterOff({ regimes: { witnesses, curve, startC } }: Findings): boolean {
  const off = witnesses.find(
    ({ kind, s }) => kind === "heater-off" && curve.mean(s, s + 5) - startC < HARDLY_BEGUN_C,
  );
  return off !== undefined && !witnesses.some(({ kind, s }) => kind === "heater-on" && s > off.s);
}

/** An engine that loses more on the way up than any shut one does of itself: its climb would have come to rest far too low. */
function judgeLosses(findings: Findings): Seen | undefined {
  const settling = whereItSettles(findings);
  if (!settling) return undefined;
  const { overAirC, airC, isRevved } = settling;
  if (overAirC > (isRevved ? REVVED_SETTLES_C : SHUT_SETTLES_C)) return undefined;
  const measured = highestOf(findings);
  const settles = `On the way up it lost so much that it would have settled at ${degrees(airC + overAirC)} in air of ${degrees(airC)}`;
  if (!wasHeaterOff(findings))
    return { verdict: "not-seen", measured, because: `${settles}${OPEN_OR_HEATER}` };
  return {
    verdict: "fail",
    failing: "early",
    measured,
    because: `${settles}, with the heater off; a shut engine would have gone on: the thermostat hangs open.`,
  };
}

function judgeLevel(findings: Findings): Seen | undefined {
  const { spec, toleranceC, regimes, trace } = findings;
  const { curve, fans } = regimes;
  const highC = highestOf(findings);
  const rate = curve.line(curve.length - LEVEL_FOR_S, curve.length).slope * 60;
  const opensC = spec.thermostatOpensC;
  const isLevel = curve.length > LONG_ENOUGH_S && Math.abs(rate) < LEVEL_C_PER_MINUTE;
  if (!isLevel || highC > opensC - toleranceC - UNSURE_C || fans.events.length > 0) return undefined;
  const airC = coldestAir(trace);
  const levels = `It levels off at ${degrees(highC)} and never gets to ${degrees(opensC)}`;
  if (airC === undefined || highC - airC > HEATER_HOLDS_C)
    return {
      verdict: "not-seen",
      measured: highC,
      because: `${levels}${OPEN_OR_HEATER}`,
    };
  return {
    verdict: "fail",
    failing: "early",
    measured: highC,
    because: `${levels}: the thermostat hangs open.`,
  };
}

/** Whether the thermostat opened, and where, against the card. */
export function checkThermostat(findings: Findings): CheckJudgement {
  const { spec, regimes } = findings;
  const opensC = spec.thermostatOpensC;
  if (spec.unsaid.opening) {
    const bend = regimes.shut.opening;
    return {
      verdict: "not-seen",
      ...(bend && { measured: bend.coolantC }),
      because: bend
        ? `The climb bends at ${degrees(bend.coolantC)}; the card doesn't say where the thermostat opens. Write it there and the log is judged by it.`
        : "The card doesn't say where the thermostat opens, and no bend stands out. Write it there and the log is judged by it.",
    };
  }
  if (regimes.startC > opensC - WARM_START_C)
    return {
      verdict: "not-seen",
      expected: opensC,
      because: `The log starts at ${degrees(regimes.startC)}, too warm to see it open. Start from cold.`,
    };
  const seen =
    judgeOpening(findings) ?? judgeNoOpening(findings) ?? judgeLevel(findings) ?? judgeLosses(findings);
  if (seen) return { expected: opensC, ...seen };
  const highC = highestOf(findings);
  return {
    verdict: "not-seen",
    measured: highC,
    expected: opensC,
    because:
      highC < opensC
        ? `It got to ${degrees(highC)}; the opening at ${degrees(opensC)} was not reached yet. Let it run on.`
        : `It got to ${degrees(highC)}, but where it opened can't be told from this log. From cold, at idle, it shows.`,
  };
}
