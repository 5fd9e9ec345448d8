import type { TraceAnalysis } from "../analysis.ts";
import type { TrueEvent } from "./five-nodes.fixture.ts";
import type { VirtualLog } from "./index.fixture.ts";

/** What came of reading one log, held against what truly happened. */
export interface Score {
  /** Checks that fail though nothing is wrong; for a faulty car none are counted. */
  falseAlarms: string[];
  /** The check that should have caught the fault passed. */
  falseComfort: boolean;
  caught: boolean;
  trueEvents: number;
  found: number;
  /** Of those that a log of whole degrees can show. */
  tellable: number;
  tellableFound: number;
  missed: string[];
  told: number;
  invented: string[];
  passes: string[];
}

const NEAR_S = 15;
const NEAR_C = 1.5;
/** An event in the last minute hasn't shown yet. */
const SETTLED_S = 60;
/** Farther from any true event of its kind than this, an event was made up. */
const INVENTED_S = 60;
/** What a log of whole degrees can show at all. */
const LEAST_SWING_C = 1.5;
const LEAST_CLIMB_C = 2;
const UNDISTURBED_S = 45;
const LEAST_TURN_C_PER_S = 0.02;
const FROM_START_S = 90;
const SPOILT = ["air", "bias", "dropout"];

/**
 * Whether a log of whole degrees shows an event at all: the temperature swings by 1.5 °C on both sides of a fan's
 * start or stop and its rate changes by 1.2 °C a minute there, or climbs by 2 °C in the minute before an opening a minute and a half after the start, and nobody
 * changed the revs within 45 s.
 */
export function isTellable({ events, sensorC, script }: VirtualLog, event: TrueEvent): boolean {
  const isRevved = script.drive.revs.some(({ fromS, toS }) =>
    [fromS, toS].some((atS) => Math.abs(atS - event.atS) < UNDISTURBED_S),
  );
  if (isRevved) return false;
  if (event.kind === "thermostat-opens") {
    const beforeC = sensorC[Math.round((event.atS - 60) * 10)] ?? Number.NaN;
    return event.atS > FROM_START_S && event.coolantC - beforeC >= LEAST_CLIMB_C;
  }
  const rate = (fromS: number, toS: number) =>
    ((sensorC[Math.round(toS * 10)] ?? Number.NaN) -
      (sensorC[Math.round(Math.max(0, fromS) * 10)] ?? Number.NaN)) /
    (toS - fromS);
  const turnsBy = Math.abs(rate(event.atS - 30, event.atS) - rate(event.atS + 10, event.atS + 40));
  if (turnsBy < LEAST_TURN_C_PER_S) return false;
  const fans = events.filter(({ kind }) => kind === "fan-on" || kind === "fan-off");
  const at = fans.indexOf(event);
  return [fans[at - 1], fans[at + 1]].every(
    (other) => !other || Math.abs(other.coolantC - event.coolantC) >= LEAST_SWING_C,
  );
}

export function score(log: VirtualLog, { events, checks }: TraceAnalysis): Score {
  const endS = log.trace.s.at(-1) ?? 0;
  const read = events.filter(({ kind }) => kind !== "dropout" && kind !== "revs-raised");
  const real = log.events.filter(({ kind }) => kind !== "revs-raised");
  const counts = !SPOILT.includes(log.fault ?? "");
  const due = counts ? real.filter(({ atS }) => atS < endS - SETTLED_S) : [];
  const tellable = log.script ? due.filter((event) => isTellable(log, event)) : due;
  const missed = due.filter(
    (event) =>
      !read.some(
        (each) =>
          each.kind === event.kind &&
          Math.abs(each.atS - event.atS) <= NEAR_S &&
          Math.abs(each.coolantC - event.coolantC) <= NEAR_C,
      ),
  );
  const invented = counts
    ? read.filter(
        (event) =>
          !real.some((each) => each.kind === event.kind && Math.abs(each.atS - event.atS) <= INVENTED_S),
      )
    : [];
  const words = (list: typeof read) =>
    list.map(
      ({ kind, atS, coolantC, stage }) => `${kind}${stage ?? ""}@${Math.round(atS)}/${coolantC.toFixed(1)}`,
    );
  const failing = Object.entries(checks).filter(([, { verdict }]) => verdict === "fail");
  const caughtBy = log.caughtBy ? checks[log.caughtBy]?.verdict : undefined;
  return {
    falseAlarms: log.fault ? [] : failing.map(([name, { because }]) => `${name}: ${because}`),
    falseComfort: caughtBy === "pass",
    caught: caughtBy === "fail",
    trueEvents: due.length,
    found: due.length - missed.length,
    tellable: tellable.length,
    tellableFound: tellable.filter((event) => !missed.includes(event)).length,
    missed: words(missed as typeof read),
    told: counts ? read.length : 0,
    invented: words(invented),
    passes: Object.entries(checks)
      .filter(([, { verdict }]) => verdict === "pass")
      .map(([name]) => name),
  };
}
