import type { CheckJudgement, TraceEvent } from "./analysis.ts";
import type { Curve } from "./curve.ts";
import type { Findings } from "./findings.ts";

/** Beyond the tolerance, so that a fan about to start isn't called dead. */
const WELL_PAST_C = 1.5;
/** The climb is compared over this much either side of a low stage's start. */
const LOW_STAGE_SHOWS_C = 3;
const UNSLOWED_SHARE = 0.7;
/** How far the engine's own sensor may stand above a switch in the radiator's cooled end. */
const RADIATOR_COOLER_BY_C = 15;

const degrees = (celsius: number) => `${Math.round(celsius)} °C`;
const stageName = (stage: number, stages: number) =>
  stages === 1
    ? "The fan"
    : stage === 1
      ? "The low stage"
      : stages === 2
        ? "The high stage"
        : `Stage ${stage}`;

function judgeStage(findings: Findings, stage: number): CheckJudgement {
  const { fans, curve, spec, toleranceC, peakC } = findings;
  const onC = spec.fanOnC[stage - 1] ?? 0;
  const offC = spec.fanOffC[stage - 1] ?? 0;
  const name = stageName(stage, spec.fanOnC.length);
  const above = spec.fanSenses === "radiator" ? RADIATOR_COOLER_BY_C : toleranceC;
  const starts = fans.filter((event) => event.kind === "fan-on" && event.stage === stage);
  const alreadyOn =
    fans.some((event) => event.kind === "fan-off" && event.stage === stage) && starts.length === 0;
  if (starts.length > 0) {
    const off = (event: TraceEvent) => Math.abs(event.coolantC - onC);
    const wrong = starts.filter((event) => event.coolantC < onC - toleranceC || event.coolantC > onC + above);
    const measured = (wrong[0] ?? starts.reduce((worst, event) => (off(event) > off(worst) ? event : worst)))
      .coolantC;
    const times = starts.length === 1 ? "once" : `${starts.length} times`;
    if (wrong.length > 0)
      return {
        verdict: "fail",
        failing: "elsewhere",
        measured,
        expected: onC,
        because: `${name} started at ${degrees(measured)}; the card says ${degrees(onC)}.`,
      };
    return {
      verdict: "pass",
      measured,
      expected: onC,
      because: `${name} started ${times}, at ${degrees(measured)}; the card says ${degrees(onC)}.`,
    };
  }
  if (alreadyOn)
    return { verdict: "not-seen", expected: onC, because: `${name} was already running when the log began.` };
  const limit = onC + above + WELL_PAST_C;
  if (stage < spec.fanOnC.length && peakC > onC + LOW_STAGE_SHOWS_C) return judgeLowStage(curve, onC, name);
  const startC = curve.mean(0, 10);
  if (peakC > limit && startC < onC) {
    return {
      verdict: "fail",
      failing: "never",
      measured: peakC,
      expected: onC,
      because: `It reached ${degrees(peakC)} and ${name.toLowerCase()} did not start; the card says ${degrees(onC)}.`,
    };
  }
  const advice =
    peakC >= onC
      ? "It may start any moment: let it run on"
      : "To get there hold 2000 to 2500 rpm, heater off, at a standstill";
  return {
    verdict: "not-seen",
    measured: peakC,
    expected: onC,
    because: `${name} starts at ${degrees(onC)}, stops at ${degrees(offC)}; the log got to ${degrees(peakC)}. ${advice}.`,
  };
}

/**
 * A low stage may do no more than slow the climb, which a log hardly shows. A climb that went on past its start
 * unslowed shows that it did not run; a climb that slowed shows nothing either way.
 */
function judgeLowStage(curve: Curve, onC: number, name: string): CheckJudgement {
  const smooth = curve.smooth(15);
  const cellAt = (celsius: number) => smooth.findIndex((figure) => figure >= celsius);
  const before = curve.line(cellAt(onC - LOW_STAGE_SHOWS_C), cellAt(onC)).slope;
  const after = curve.line(cellAt(onC + 0.5), cellAt(onC + LOW_STAGE_SHOWS_C)).slope;
  const wentOn = `past ${degrees(onC)} at ${(after * 60).toFixed(1)} °C a minute, ${(before * 60).toFixed(1)} before it`;
  if (before > 0 && after >= UNSLOWED_SHARE * before) {
    return {
      verdict: "fail",
      failing: "never",
      measured: after * 60,
      expected: before * 60,
      because: `${name} did not start: the climb went on ${wentOn}.`,
    };
  }
  return {
    verdict: "not-seen",
    expected: onC,
    because: `${name} could not be made out: the climb slowed ${wentOn}. Listen for it and mark it.`,
  };
}

function sumUp(stages: CheckJudgement[]): CheckJudgement {
  const failed = stages.find((stage) => stage.verdict === "fail");
  const [first] = stages;
  if (!first) return { verdict: "not-seen", because: "The card names no fan that starts by temperature." };
  if (failed) return failed;
  const others = stages.slice(1).map((stage) => stage.because);
  return { ...first, because: [first.because, ...others].join(" ") };
}

/** Each fan stage's start against the card; a high stage that was never needed is no fault. */
export function checkFanOn(findings: Findings): CheckJudgement {
  return sumUp(findings.spec.fanOnC.map((_, index) => judgeStage(findings, index + 1)));
}

/** Each fan stage's stop against the card. */
export function checkFanOff(findings: Findings): CheckJudgement {
  const { fans, curve, spec, toleranceC } = findings;
  const stages = spec.fanOffC.map((offC, index): CheckJudgement => {
    const stage = index + 1;
    const name = stageName(stage, spec.fanOffC.length);
    const stops = fans.filter((event) => event.kind === "fan-off" && event.stage === stage);
    const lastStart = fans.findLast((event) => event.kind === "fan-on" && event.stage === stage);
    const above = spec.fanSenses === "radiator" ? RADIATOR_COOLER_BY_C : toleranceC;
    const wrong = stops.find((event) => event.coolantC > offC + above || event.coolantC < offC - toleranceC);
    if (wrong)
      return {
        verdict: "fail",
        measured: wrong.coolantC,
        expected: offC,
        because: `${name} stopped at ${degrees(wrong.coolantC)}; the card says ${degrees(offC)}.`,
      };
    const [stop] = stops;
    if (stop)
      return {
        verdict: "pass",
        measured: stop.coolantC,
        expected: offC,
        because: `${name} stopped at ${degrees(stop.coolantC)}; the card says ${degrees(offC)}.`,
      };
    if (!lastStart)
      return {
        verdict: "not-seen",
        expected: offC,
        because: `${name} was not seen running, so it had nothing to stop.`,
      };
    const endC = curve.mean(curve.length - 15, curve.length);
    if (endC < offC - toleranceC - WELL_PAST_C)
      return {
        verdict: "fail",
        measured: endC,
        expected: offC,
        because: `${name} cooled it to ${degrees(endC)} and ran on; the card says it stops at ${degrees(offC)}.`,
      };
    return {
      verdict: "not-seen",
      measured: endC,
      expected: offC,
      because: `${name} was still running at ${degrees(endC)} when the log ended; it stops at ${degrees(offC)}.`,
    };
  });
  return sumUp(stages);
}
