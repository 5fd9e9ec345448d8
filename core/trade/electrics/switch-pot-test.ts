import type { Judgement } from "../../kernel/verdict/index.ts";
import { SWITCH_TOLERANCE_C } from "../limits/index.ts";
import { inRange } from "./in-range.ts";

export interface PotReading {
  celsius: number;
  /** Whether each stage is closed, low stage first. */
  closed: readonly boolean[];
}

export interface StageStamp {
  onC: number;
  offC?: number;
}

export interface PotStage extends Judgement {
  stage: number;
  closesC?: number;
  opensC?: number;
  /** True where it was closed all along, well below where it should have opened. */
  staysClosed?: true;
}

export interface PotTest {
  stages: PotStage[];
  outcome: "within" | "off" | "never" | "stays" | "one-stage" | "not-seen";
  because: string;
}

/** A pot's thermometer adds a degree to how switches are made, if the water is stirred. */
const TOLERANCE_C = SWITCH_TOLERANCE_C + 1;
/** Warmed this far past its start a switch that stays open never closes. */
const SURELY_PAST_C = 8;

const middle = (a: number | undefined, b: number | undefined) =>
  a === undefined || b === undefined ? undefined : (a + b) / 2;

function judgeStage(readings: readonly PotReading[], { onC, offC }: StageStamp, index: number): PotStage {
  const stage = index + 1;
  const states = readings.map((reading) => reading.closed[index] === true);
  const closesAt = states.findIndex((closed, i) => closed && i > 0 && !states[i - 1]);
  const opensAt = states.findIndex((closed, i) => !closed && i > 0 && states[i - 1]);
  const closesC =
    closesAt < 0 ? undefined : middle(readings[closesAt - 1]?.celsius, readings[closesAt]?.celsius);
  const opensC = opensAt < 0 ? undefined : middle(readings[opensAt - 1]?.celsius, readings[opensAt]?.celsius);
  const hottest = readings.reduce((high, { celsius }) => Math.max(high, celsius), Number.NEGATIVE_INFINITY);
  const coldest = readings.reduce((low, { celsius }) => Math.min(low, celsius), Number.POSITIVE_INFINITY);
  const found = {
    stage,
    ...(closesC === undefined ? {} : { closesC, measured: closesC }),
    ...(opensC === undefined ? {} : { opensC }),
    expected: onC,
  };
  if (states.every(Boolean)) {
    const isCold = coldest < (offC ?? onC - SURELY_PAST_C) - TOLERANCE_C;
    return isCold
      ? {
          ...found,
          verdict: "fail",
          staysClosed: true,
          because: `Stage ${stage} was closed from ${coldest} to ${hottest} °C: it stays closed.`,
        }
      : {
          ...found,
          verdict: "not-seen",
          because: `Stage ${stage} was closed all the time, never cooled below ${coldest} °C; let it cool to see it open.`,
        };
  }
  if (closesC === undefined) {
    return hottest >= onC + SURELY_PAST_C
      ? {
          ...found,
          verdict: "fail",
          because: `Stage ${stage} is stamped ${onC} °C and was still open at ${hottest} °C: it never closes.`,
        }
      : {
          ...found,
          verdict: "not-seen",
          because: `Stage ${stage} is stamped ${onC} °C and was heated to ${hottest} °C; go on to ${onC + SURELY_PAST_C} °C.`,
        };
  }
  const isOnRight = Math.abs(closesC - onC) <= TOLERANCE_C;
  const isOffRight = offC === undefined || opensC === undefined || Math.abs(opensC - offC) <= TOLERANCE_C;
  const opened =
    opensC === undefined ? "; its opening was not watched" : `, opens at ${opensC.toFixed(1)} °C`;
  return {
    ...found,
    verdict: isOnRight && isOffRight ? "pass" : "fail",
    because: `Stage ${stage} closes at ${closesC.toFixed(1)} °C${opened}; the stamp says ${onC}${offC === undefined ? "" : `/${offC}`} °C.`,
  };
}

function outcomeOf(stages: readonly PotStage[]): PotTest["outcome"] {
  const failed = stages.filter(({ verdict }) => verdict === "fail");
  if (failed.length === 0) return stages.some(({ verdict }) => verdict === "pass") ? "within" : "not-seen";
  const dead = failed.filter(({ closesC, opensC }) => closesC === undefined && opensC === undefined);
  if (dead.length === 0) return "off";
  if (dead.length < stages.length) return "one-stage";
  return dead.every(({ staysClosed }) => staysClosed) ? "stays" : "never";
}

/**
 * A thermal switch in the pot: where each stage closed and opened against its stamp. Readings in the order they were
 * taken, −20 to 150 °C, two at least; a stage is found between the two readings about its change. Within 5 °C passes.
 * Not seen where it wasn't heated 8 °C past its start. Throws `RangeError` for too few readings, stages missing from a
 * reading and temperatures outside the range.
 */
export function switchPotTest(
  readings: readonly PotReading[],
  stamp: { stages: readonly StageStamp[] },
): PotTest {
  if (readings.length < 2)
    throw new RangeError(`${readings.length} readings are too few; two at least, about the change`);
  for (const { celsius, closed } of readings) {
    inRange(celsius, -20, 150, "°C in the pot");
    if (closed.length < stamp.stages.length)
      throw new RangeError(
        `the reading at ${celsius} °C has ${closed.length} stages; the stamp has ${stamp.stages.length}`,
      );
  }
  const stages = stamp.stages.map((stage, index) => judgeStage(readings, stage, index));
  return { stages, outcome: outcomeOf(stages), because: stages.map(({ because }) => because).join(" ") };
}
