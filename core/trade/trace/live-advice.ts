import { HOTTEST_SOUND_C, RADIATOR_LAG_C, SENSOR_OPEN_C, SENSOR_SHORT_C } from "../limits/index.ts";
import type { TraceEvent, TraceSpec } from "./analysis.ts";
import { toleranceOf } from "./card-lines.ts";
import { degrees } from "./degrees.ts";
import type { LiveSample } from "./live-trace.ts";

/** What whoever stands beside a running engine is told to do next. */
export interface LiveAdvice {
  /** "stop": an engine may be hurt; "do": something is asked of them; "wait": it goes on by itself. */
  kind: "stop" | "do" | "wait";
  words: string;
}

interface LiveSoFar {
  spec: TraceSpec;
  /** In the order of their time; the last is what the port told last. */
  samples: readonly LiveSample[];
  events: readonly Pick<TraceEvent, "kind" | "stage">[];
  /** For how long nothing was read, s of the clock; nothing where it is read as ever. */
  unreadS?: number;
}

/** The rate is taken over so long, s: whole degrees tell none sooner. */
const RATE_OVER_S = 60;
/** Warmer than its fan's start by so much and still rising, an engine isn't left to run on, °C. */
const WELL_PAST_C = 10;
/** A knee shows some degrees behind the opening. */
const KNEE_SHOWS_C = 6;
const SLOW_C_PER_MINUTE = 0.4;
const RAISED_RPM = 1900;
const MOST_MINUTES = 60;

/** °C a minute over the last minute of what was read; nothing where that isn't there yet. */
function rateOf(told: readonly { s: number; coolantC: number }[]): number | undefined {
  const last = told.at(-1);
  if (!last) return undefined;
  const before = told.findLast(({ s }) => s <= last.s - RATE_OVER_S);
  return before && ((last.coolantC - before.coolantC) / (last.s - before.s)) * 60;
}

function inMinutes(fromC: number, toC: number, rate: number | undefined): string {
  const minutes = rate && rate > 0 ? Math.ceil((toC - fromC) / rate) : MOST_MINUTES + 1;
  return minutes <= MOST_MINUTES ? `, in about ${minutes} min at this pace` : "";
}

function towardsFan(
  now: { coolantC: number; rpm: number | undefined },
  onC: number,
  rate: number | undefined,
): LiveAdvice {
  const { coolantC, rpm = 0 } = now;
  const isSlow = rate !== undefined && rate < SLOW_C_PER_MINUTE;
  if (isSlow && rpm < RAISED_RPM)
    return { kind: "do", words: `Hold 2500 until ${degrees(onC)}: the fan's start has not been reached.` };
  return {
    kind: "wait",
    words: `${degrees(coolantC)}: the fan starts at ${degrees(onC)}${inMinutes(coolantC, onC, rate)}. Listen for it.`,
  };
}

/**
 * The next thing to do at a log that is being recorded, from the card's figures, what was read and what has happened. °C and seconds of
 * the car's own time. Nothing it says is a verdict: the log is judged when it is whole.
 */
export function liveAdvice({ spec, samples, events, unreadS }: LiveSoFar): LiveAdvice {
  const told = samples.flatMap(({ s, coolantC, rpm }) =>
    coolantC === undefined ? [] : [{ s, coolantC, rpm }],
  );
  const now = told.at(-1);
  if (!now) return { kind: "wait", words: "Nothing is read of the coolant yet." };
  const { coolantC } = now;
  if (unreadS !== undefined)
    return {
      kind: "do",
      words: `Nothing was read for ${Math.round(unreadS)} s; the last was ${degrees(coolantC)}. Go by the car's own gauge, and switch off if it climbs.`,
    };
  if (coolantC <= SENSOR_OPEN_C)
    return {
      kind: "do",
      words: `The sensor says ${degrees(coolantC)}: an open circuit reads so. Look at its plug.`,
    };
  if (coolantC >= SENSOR_SHORT_C)
    return { kind: "do", words: `The sensor says ${degrees(coolantC)}: a short reads so. Look at its wire.` };
  const rate = rateOf(told);
  const tolerance = toleranceOf(spec);
  const lastOnC = spec.fanOnC.length > 0 ? Math.max(...spec.fanOnC) : undefined;
  // A switch in the radiator's cooled end starts later by the engine's own sensor.
  const lagC = spec.fanSenses === "radiator" ? RADIATOR_LAG_C.most : 0;
  const stopC = Math.min(
    HOTTEST_SOUND_C,
    lastOnC === undefined ? HOTTEST_SOUND_C : lastOnC + lagC + WELL_PAST_C,
  );
  if (coolantC >= stopC)
    return (rate ?? 1) > 0
      ? {
          kind: "stop",
          words: `Stop: ${degrees(coolantC)} and still climbing. Engine off; the cap stays on.`,
        }
      : {
          kind: "stop",
          words: `${degrees(coolantC)} is past what this card allows. Engine off; the cap stays on.`,
        };
  const has = (kind: TraceEvent["kind"]) => events.some((event) => event.kind === kind);
  const { thermostatOpensC: opensC } = spec;
  const isFanSeen = has("fan-on");
  if (typeof opensC === "number" && !has("thermostat-opens") && !isFanSeen) {
    if (coolantC < opensC)
      return {
        kind: "wait",
        words: `Let it warm: ${degrees(coolantC)}; the thermostat opens at ${degrees(opensC)}${inMinutes(coolantC, opensC, rate)}.`,
      };
    if (coolantC > opensC + KNEE_SHOWS_C)
      return {
        kind: "do",
        words: `Past ${degrees(opensC)} and no bend seen: feel both hoses at the radiator, and say when one gets hot.`,
      };
  }
  const [firstOnC] = spec.fanOnC;
  if (firstOnC === undefined)
    return {
      kind: "wait",
      words: "The card names no fan's start: say what you hear, and stop when it holds its temperature.",
    };
  if (!isFanSeen) {
    // A switch in the radiator's cooled end starts it later by the engine's own sensor.
    if (coolantC < firstOnC + tolerance || spec.fanSenses === "radiator")
      return towardsFan(now, firstOnC, rate);
    return {
      kind: "do",
      words: `${degrees(coolantC)}: by its card the fan runs from ${degrees(firstOnC)}. Do you hear it? Say fan on, or no fan.`,
    };
  }
  const lastFan = events.findLast(({ kind }) => kind === "fan-on" || kind === "fan-off")?.kind;
  if (lastFan === "fan-off" && coolantC >= firstOnC + tolerance + lagC)
    return {
      kind: "do",
      words: `${degrees(coolantC)}: it should run again by now. Do you hear it? Say fan on, or no fan.`,
    };
  const [firstOffC] = spec.fanOffC;
  if (!has("fan-off"))
    return {
      kind: "wait",
      words: `The fan runs: let it come down${typeof firstOffC === "number" ? ` to ${degrees(firstOffC)}` : ""}, and hear it stop.`,
    };
  return { kind: "wait", words: "Opening, start and stop were seen: one more cycle, or stop and keep it." };
}
