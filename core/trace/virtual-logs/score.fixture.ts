import type { TraceAnalysis } from "../analysis.ts";
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
const SPOILT = ["air", "bias", "dropout"];

export function score(log: VirtualLog, { events, checks }: TraceAnalysis): Score {
  const endS = log.trace.s.at(-1) ?? 0;
  const read = events.filter(({ kind }) => kind !== "dropout" && kind !== "revs-raised");
  const real = log.events.filter(({ kind }) => kind !== "revs-raised");
  const counts = !SPOILT.includes(log.fault ?? "");
  const due = counts ? real.filter(({ atS }) => atS < endS - SETTLED_S) : [];
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
    missed: words(missed as typeof read),
    told: counts ? read.length : 0,
    invented: words(invented),
    passes: Object.entries(checks)
      .filter(([, { verdict }]) => verdict === "pass")
      .map(([name]) => name),
  };
}
