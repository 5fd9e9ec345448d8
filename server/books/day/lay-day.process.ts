import { type GivenUp, layHolding } from "../../../core/stages/day/index.ts";
import {
  type DayGiven,
  type DayPlan,
  planDay,
  type ReadyRange,
  readyRanges,
  type Spread,
  slackOf,
} from "../../../core/trade/schedule/index.ts";
import { workAfterBookings } from "../../threads/after-bookings.ts";

workAfterBookings();

export interface DayTask {
  given: DayGiven;
  opensNext: readonly number[];
  /** How far the work of a stage spreads, by the shop's own books. */
  spreads: Record<string, Spread>;
}

export interface DayLaid {
  plan: DayPlan;
  ranges: ReadyRange[];
  gaveUp: GivenUp[];
}

/** A day by this way of laying it, its holds kept where they can be, and when each job is ready; a piece of work spreads as its stage's does. */
export function laidBy(plan: (given: DayGiven) => DayPlan, { given, opensNext, spreads }: DayTask): DayLaid {
  const spreadOf = (_: string, act: string) => spreads[act.split(":")[0] ?? ""];
  const jobs = given.jobs.map((job) => ({
    ...job,
    slack: slackOf(job.acts, (act) => spreadOf(job.id, act)),
  }));
  const laid = layHolding({ ...given, jobs }, plan);
  const ranges = readyRanges(laid.given, laid.plan, { opensNext, spreadOf });
  return { plan: laid.plan, ranges, gaveUp: laid.gaveUp };
}

/** The process's whole work: a day in, the best way to lay it out, and when each job is ready by it. */
export default function lay(task: DayTask): DayLaid {
  return laidBy(planDay, task);
}
