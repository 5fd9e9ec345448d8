import { medianOf } from "../../kernel/statistics/index.ts";
import { RADIATOR_LAG_C } from "../limits/index.ts";
import type { CheckJudgement } from "./analysis.ts";
import { degrees } from "./degrees.ts";
import type { FanEvent } from "./fan-states.ts";
import type { Findings } from "./findings.ts";
import { isCalm, isIdle } from "./revs.ts";

/** Between the tolerance and this much beyond it nobody can say. */
const UNSURE_C = 1.5;
/** A start that the engine's own sensor tells of a switch in the radiator is sure to be right this far within the usual lag. */
const WELL_WITHIN_C = 2;
const RADIATOR_PASS_C = {
  least: RADIATOR_LAG_C.usualLeast + WELL_WITHIN_C,
  most: RADIATOR_LAG_C.usualMost - WELL_WITHIN_C,
};
/** A radiator is no hotter than its engine: a start below the switch's own figure, and past what is read, is too early. */
const RADIATOR_FAIL_C = { least: RADIATOR_LAG_C.least - 3, most: RADIATOR_LAG_C.most };
/** A start is believed when the log is this much dearer to explain without it, nats. */
const BELIEVED = 3;
/** Believed enough to call a part wrong for it. */
const CONVINCED = 5;
/** A single turn less sharp than this may be the wind, °C a second. */
const SHARP_C_PER_S = 0.06;
/** Beyond the limit by this no fan is running, whatever the revs. */
const FAR_ABOVE_C = 12;
/** At idle a fan that runs has turned the climb within this, and lets it fall at least so fast, °C a second. */
const TURNED_WITHIN_S = 120;
const STANDS_C_PER_S = -0.004;
/** The climb is compared over this much either side of a low stage's start. */
const LOW_STAGE_SHOWS_C = 3;
const UNSLOWED_SHARE = 0.75;
const SLOWEST_COMPARED = 0.01;

type Stage = { number: number; onC: number; offC: number; isStopUnsaid: boolean; name: string };

function stagesOf({ spec }: Findings): Stage[] {
  const count = spec.fanOnC.length;
  return spec.fanOnC.map((onC, index) => ({
    number: index + 1,
    onC,
    offC: spec.fanOffC[index] ?? onC,
    isStopUnsaid: spec.unsaid.stops[index] ?? false,
    name:
      count === 1
        ? "The fan"
        : index === 0
          ? "The low stage"
          : count === 2
            ? "The high stage"
            : `Stage ${index + 1}`,
  }));
}

const eventsOf = ({ regimes }: Findings, kind: FanEvent["kind"], stage: Stage) =>
  regimes.fans.events.filter((event) => event.kind === kind && event.stage === stage.number);

const evidenceOf = (events: readonly FanEvent[]) => events.reduce((sum, { evidence }) => sum + evidence, 0);

/** What the radiator's own sensor read at a turn, where one was logged. */
function radiatorC({ trace, clean }: Findings, cell: number): number {
  const column = trace.radiatorOutC;
  if (!column) return Number.NaN;
  const index = trace.s.findIndex((atS) => atS - clean.startS >= cell);
  return column[index] ?? Number.NaN;
}

const isHeard = (events: readonly FanEvent[]) => events.some(({ turn }) => turn.witnessed);

/** A wind can turn a climb once, and slowly; a fan turns it sharply, or again and again. */
const isSharp = (events: readonly FanEvent[]) =>
  events.length > 1 ||
  isHeard(events) ||
  events.some(({ turn }) => Math.abs(turn.before - turn.after) > SHARP_C_PER_S);

/** Verdict on one temperature: inside, outside, or too close to call. */
function place(
  findings: Findings,
  events: readonly FanEvent[],
  wantedC: number,
): { verdict: CheckJudgement["verdict"]; measured: number; lagged: boolean } {
  const { spec, toleranceC } = findings;
  const engineC = medianOf(events.map(({ turn }) => turn.coolantC)) ?? Number.NaN;
  const felt = events.map(({ turn }) => radiatorC(findings, turn.at)).filter(Number.isFinite);
  const isRadiator = spec.fanSenses === "radiator";
  const evidence = evidenceOf(events);
  const measured = (isRadiator ? medianOf(felt) : undefined) ?? engineC;
  const offC = measured - wantedC;
  const lagged = isRadiator && felt.length === 0;
  const pass = lagged ? RADIATOR_PASS_C : { least: -toleranceC, most: toleranceC };
  const fail = lagged ? RADIATOR_FAIL_C : { least: -toleranceC - UNSURE_C, most: toleranceC + UNSURE_C };
  if (offC >= pass.least && offC <= pass.most)
    return { verdict: evidence >= BELIEVED && isSharp(events) ? "pass" : "not-seen", measured, lagged };
  const isOutside = offC < fail.least || offC > fail.most;
  const isSure = evidence >= CONVINCED && (events.length > 1 || isHeard(events));
  return { verdict: isOutside && isSure ? "fail" : "not-seen", measured, lagged };
}

function says(
  stage: Stage,
  verb: string,
  count: number,
  measured: number,
  wantedC: number,
  lagged: boolean,
  verdict: string,
) {
  const times = count === 1 ? "once" : `${count} times`;
  const where = `${stage.name} ${verb} ${times}, with the engine at ${degrees(measured)}`;
  if (!lagged)
    return verdict === "not-seen"
      ? `${stage.name} seems to have ${verb} at ${degrees(measured)}; the card says ${degrees(wantedC)}. Listen for it and mark it.`
      : `${stage.name} ${verb} ${times}, at ${degrees(measured)}; the card says ${degrees(wantedC)}.`;
  const lag = `its switch sits in the radiator, usually from ${RADIATOR_LAG_C.usualLeast} °C below to ${RADIATOR_LAG_C.usualMost} °C below the engine`;
  return verdict === "not-seen"
    ? `${where}; the card says ${degrees(wantedC)} and ${lag}, so the engine's own sensor can't tell. Measure at the radiator.`
    : `${where}; the card says ${degrees(wantedC)} and ${lag}.`;
}

/** The hottest at which the fan must have shown, for a minute at calm revs, with nothing pulling it back. */
function standsAbove({ regimes: { curve, holds } }: Findings, limitC: number): number | undefined {
  const smooth = curve.smooth(15);
  let since: number | undefined;
  for (let cell = 0; cell < smooth.length; cell++) {
    const isCalmHere =
      isCalm(holds, cell - TURNED_WITHIN_S, cell + 1) &&
      !holds.some(({ from, to }) => cell >= from && cell < to + TURNED_WITHIN_S);
    if ((smooth[cell] ?? 0) > limitC + FAR_ABOVE_C && curve.line(cell - 30, cell).slope > STANDS_C_PER_S)
      return smooth[cell];
    if (!((smooth[cell] ?? 0) > limitC) || !isCalmHere) {
      since = undefined;
      continue;
    }
    since ??= cell;
    if (cell - since < TURNED_WITHIN_S) continue;
    if (curve.line(since, cell).slope > STANDS_C_PER_S) return smooth[cell];
  }
  return undefined;
}

/** Somebody who listened past the limit and heard no fan. */
function heardNone({ regimes: { witnesses, curve } }: Findings, limitC: number): number | undefined {
  const heard = witnesses.filter(({ kind }) => kind === "fan-none").map(({ s }) => curve.mean(s - 3, s + 4));
  return heard.find((coolantC) => coolantC > limitC);
}

/** Whether the climb went on past a stage's start as if nothing had started. */
function wentOn(
  { regimes: { curve, holds } }: Findings,
  onC: number,
): { before: number; after: number } | undefined {
  const smooth = curve.smooth(15);
  const cellAt = (celsius: number) => smooth.findIndex((figure) => figure >= celsius);
  const cells = [onC - LOW_STAGE_SHOWS_C, onC - 0.5, onC + 1, onC + LOW_STAGE_SHOWS_C + 1].map(cellAt);
  const [from = -1, start = -1, past = -1, to = -1] = cells;
  if (cells.some((cell) => cell < 0) || to - past < 20 || start - from < 20 || !isCalm(holds, from - 60, to))
    return undefined;
  return { before: curve.line(from, start).slope, after: curve.line(past, to).slope };
}

function judgeStart(findings: Findings, stage: Stage): CheckJudgement {
  const { spec, regimes, peakC, toleranceC } = findings;
  const starts = eventsOf(findings, "fan-on", stage);
  if (starts.length > 0) {
    const { verdict, measured, lagged } = place(findings, starts, stage.onC);
    return {
      verdict,
      ...(verdict === "fail" ? { failing: "elsewhere" as const } : {}),
      measured,
      expected: stage.onC,
      because: says(stage, "started", starts.length, measured, stage.onC, lagged, verdict),
    };
  }
  if (regimes.fans.runningAtStart >= stage.number)
    return {
      verdict: "not-seen",
      expected: stage.onC,
      because: `${stage.name} was already running when the log began.`,
    };
  const isRadiator = spec.fanSenses === "radiator";
  const limitC = stage.onC + (isRadiator ? RADIATOR_FAIL_C.most : toleranceC + UNSURE_C);
  const heardC = heardNone(findings, limitC);
  const stoodC = standsAbove(findings, limitC);
  const never = (because: string, measured: number): CheckJudgement => ({
    verdict: "fail",
    failing: "never",
    measured,
    expected: stage.onC,
    because,
  });
  const isLast = stage.number === spec.fanOnC.length;
  if (heardC !== undefined)
    return never(
      `Somebody listened at ${degrees(heardC)} and heard no fan; ${stage.name.toLowerCase()} starts at ${degrees(stage.onC)} by the card.`,
      heardC,
    );
  if (stoodC !== undefined && isLast)
    return never(
      `It stood at ${degrees(stoodC)} and ${stage.name.toLowerCase()} did not start; the card says ${degrees(stage.onC)}.`,
      stoodC,
    );
  const climb = isRadiator || isLast ? undefined : wentOn(findings, stage.onC);
  if (climb && climb.before > SLOWEST_COMPARED && climb.after >= UNSLOWED_SHARE * climb.before)
    return never(
      `${stage.name} did not start: the climb went on past ${degrees(stage.onC)} at ${(climb.after * 60).toFixed(1)} °C a minute, ${(climb.before * 60).toFixed(1)} before it.`,
      climb.after * 60,
    );
  const advice =
    peakC >= stage.onC
      ? "It could not be made out: listen for it and mark it"
      : "To get there hold 2000 to 2500 rpm, heater off, at a standstill";
  return {
    verdict: "not-seen",
    measured: peakC,
    expected: stage.onC,
    because: `${stage.name} starts at ${degrees(stage.onC)}${stage.isStopUnsaid ? "" : `, stops at ${degrees(stage.offC)}`}; the log got to ${degrees(peakC)}. ${advice}.`,
  };
}

/** A stop that the card doesn't say is told as it was, for whoever writes it there. */
function tellStop(findings: Findings, stage: Stage): CheckJudgement {
  const stops = eventsOf(findings, "fan-off", stage);
  const measured = medianOf(stops.map(({ turn }) => turn.coolantC));
  return {
    verdict: "not-seen",
    ...(measured !== undefined && { measured }),
    because:
      measured === undefined
        ? `The card doesn't say where ${stage.name.toLowerCase()} stops, and it was not seen to.`
        : `${stage.name} stopped with the engine at ${degrees(measured)}; the card doesn't say where it should.`,
  };
}

function judgeStop(findings: Findings, stage: Stage): CheckJudgement {
  if (stage.isStopUnsaid) return tellStop(findings, stage);
  const { regimes, spec, toleranceC } = findings;
  const { curve } = regimes;
  const starts = eventsOf(findings, "fan-on", stage);
  const stops = eventsOf(findings, "fan-off", stage);
  if (stops.length > 0) {
    const { verdict, measured, lagged } = place(findings, stops, stage.offC);
    return {
      verdict,
      ...(verdict === "fail" ? { failing: "elsewhere" as const } : {}),
      measured,
      expected: stage.offC,
      because: says(stage, "stopped", stops.length, measured, stage.offC, lagged, verdict),
    };
  }
  if (starts.length === 0)
    return {
      verdict: "not-seen",
      expected: stage.offC,
      because: `${stage.name} was not seen running, so it had nothing to stop.`,
    };
  const endC = curve.mean(curve.length - 15, curve.length);
  const lowC = stage.offC - toleranceC - UNSURE_C;
  const last = starts.at(-1)?.turn;
  const hasRunOn =
    last !== undefined &&
    curve.length - last.at > 60 &&
    !regimes.turns.some(({ at }) => at > last.at) &&
    isIdle(regimes.holds, last.at - 60, curve.length) &&
    curve.line(curve.length - 45, curve.length).slope < 0;
  if (endC < lowC && hasRunOn && spec.fanSenses !== "radiator" && evidenceOf(starts) >= CONVINCED)
    return {
      verdict: "fail",
      failing: "never",
      measured: endC,
      expected: stage.offC,
      because: `${stage.name} cooled it to ${degrees(endC)} and ran on; the card says it stops at ${degrees(stage.offC)}.`,
    };
  if (endC < stage.offC - UNSURE_C)
    return {
      verdict: "not-seen",
      measured: endC,
      expected: stage.offC,
      because: `Where ${stage.name.toLowerCase()} stopped could not be made out; the card says ${degrees(stage.offC)}. Listen for it and mark it.`,
    };
  return {
    verdict: "not-seen",
    measured: endC,
    expected: stage.offC,
    because: `${stage.name} was still running at ${degrees(endC)} when the log ended; it stops at ${degrees(stage.offC)}.`,
  };
}

/** One verdict for all stages: a failing one fails, and only what was seen of every stage passes. */
function sumUp(stages: CheckJudgement[]): CheckJudgement {
  const [first] = stages;
  if (!first) return { verdict: "not-seen", because: "The card names no fan that starts by temperature." };
  const failed = stages.find(({ verdict }) => verdict === "fail");
  if (failed) return failed;
  const shown = stages.find(({ verdict }) => verdict === "not-seen") ?? first;
  const stagesSeen = stages.filter(({ verdict }) => verdict === "pass").length;
  return { ...shown, stagesSeen, because: stages.map(({ because }) => because).join(" ") };
}

/** Each fan stage's start against the card, where the fan's own switch or sensor feels it. */
export const checkFanOn = (findings: Findings): CheckJudgement =>
  sumUp(stagesOf(findings).map((stage) => judgeStart(findings, stage)));

/** Each fan stage's stop against the card. */
export const checkFanOff = (findings: Findings): CheckJudgement =>
  sumUp(stagesOf(findings).map((stage) => judgeStop(findings, stage)));
