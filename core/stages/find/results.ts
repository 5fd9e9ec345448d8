import { type Entry, standing } from "../../book/entry/index.ts";
import { CoolantRead, factOf, type LogCheck, TestOutcome, WarmUpLog } from "../../book/facts/index.ts";
import { RADIATOR_LAG_C, SWITCH_TOLERANCE_C } from "../../trade/limits/index.ts";

export interface Result {
  test: string;
  outcome: string;
  entryId: string;
  at: string;
  by: string;
  /** Who says it: a person who did the test, a booked log, or a reading taken with the fan in mind. */
  from: "person" | "log" | "reading";
}

type Told = { test: string; outcome: string };

/** A thermostat's failing as the outcome of watching it. */
const THERMOSTAT = { early: "early", never: "never", elsewhere: "late" } as const;

function fanOutcome(fanOn: LogCheck | undefined, peak: LogCheck | undefined): string | undefined {
  const isAsCard =
    fanOn?.verdict === "pass" || (fanOn?.verdict === "not-seen" && (fanOn.stagesSeen ?? 0) > 0);
  if (isAsCard) return peak?.verdict === "fail" ? "boils" : "as-card";
  if (fanOn?.verdict === "fail") return fanOn.failing === "never" ? "no-fan" : "elsewhere";
  // Only a log that stayed under the start says that it was never there; what can't be told says nothing.
  const { measured, expected } = fanOn ?? {};
  return measured !== undefined && expected !== undefined && measured < expected ? "never-there" : undefined;
}

/** A sensor that never spoke, or that stood apart from the air after a night. */
function sensorOutcome({ signal, soak }: WarmUpLog["checks"]): string | undefined {
  if (signal?.verdict === "fail" && signal.failing === "never" && signal.measured !== undefined)
    return signal.measured < 0 ? "coldest" : "hottest";
  if (soak?.verdict === "pass") return "agree";
  return soak?.verdict === "fail" ? "apart" : undefined;
}

/** What the checks of a warm-up log say to the tests that ask for the same. */
function resultsOfLog({ checks }: WarmUpLog): Told[] {
  const { fanOn, peak, thermostat } = checks;
  const results: Told[] = [];
  const fan = fanOutcome(fanOn, peak);
  if (fan) results.push({ test: "warm-up", outcome: fan });
  if (thermostat?.verdict === "pass") results.push({ test: "thermostat-watch", outcome: "opens" });
  else if (thermostat?.verdict === "fail")
    results.push({ test: "thermostat-watch", outcome: THERMOSTAT[thermostat.failing ?? "elsewhere"] });
  const sensor = sensorOutcome(checks);
  if (sensor) results.push({ test: "live-cold", outcome: sensor });
  return results;
}

/** What the card says of the fan's start. */
export interface FanCard {
  /** Low stage first. */
  fanOnC?: readonly number[];
  fanSenses?: "engine" | "radiator";
}

/**
 * "ect 101 fan none": hot enough for the first stage where its switch sits, and no fan heard. A housing's or a hose's skin tells
 * too little of what a switch in the coolant has.
 */
function resultsOfReading(
  { at, fan }: CoolantRead,
  entry: Entry,
  { fanOnC = [], fanSenses }: FanCard,
): Told[] {
  if (at !== "engine" && at !== "radiator") return [];
  const [startC] = fanOnC;
  // Past the start by more than a switch's tolerance a fan that stands still is a dead one.
  const limitC =
    (startC ?? 0) +
    SWITCH_TOLERANCE_C +
    (fanSenses === "radiator" && at === "engine" ? RADIATOR_LAG_C.most : 0);
  const isHot = startC !== undefined && entry.unit === "°C" && (entry.value ?? 0) > limitC;
  return isHot && fan === "none" ? [{ test: "warm-up", outcome: "no-fan" }] : [];
}

function told(entry: Entry, card: FanCard): { from: Result["from"]; found: Told[] } | undefined {
  const said = factOf(entry);
  if (said?.fact instanceof TestOutcome) {
    const { test, outcome } = said.fact;
    return { from: "person", found: [{ test, outcome }] };
  }
  if (said?.fact instanceof WarmUpLog) return { from: "log", found: resultsOfLog(said.fact) };
  if (said?.fact instanceof CoolantRead)
    return { from: "reading", found: resultsOfReading(said.fact, entry, card) };
  return undefined;
}

/**
 * Every result of Find that counts, oldest first: what people saw, what logs say that were booked before anything was
 * taken off (a log after the repair proves the repair, not the fault), and readings past the card's start without a fan.
 * The latest of one test stands, but a person's own result is not overruled by a log or a reading.
 */
export function resultsOf(entries: readonly Entry[], card: FanCard = {}): Result[] {
  const counting = standing(entries);
  const firstOut =
    counting.find((entry) => entry.stage === "strip" && (entry.out ?? 0) > 0)?.order ??
    Number.POSITIVE_INFINITY;
  const results = new Map<string, Result>();
  for (const entry of counting) {
    const said = told(entry, card);
    if (!said || (said.from !== "person" && entry.order > firstOut)) continue;
    for (const each of said.found) {
      if (said.from !== "person" && results.get(each.test)?.from === "person") continue;
      results.delete(each.test);
      results.set(each.test, { ...each, entryId: entry.id, at: entry.at, by: entry.by, from: said.from });
    }
  }
  return [...results.values()];
}
