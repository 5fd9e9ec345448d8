import {
  type DayGiven,
  type DayPlan,
  planDay,
  type ReadyRange,
  readyRanges,
  type Spread,
} from "../../../core/trade/schedule/index.ts";
import { workAfterBookings } from "../../threads/after-bookings.ts";

workAfterBookings();

export interface DayTask {
  given: DayGiven;
  opensNext: number;
  /** How far the work of a stage spreads, by the shop's own books. */
  spreads: Record<string, Spread>;
}

export interface DayLaid {
  plan: DayPlan;
  ranges: ReadyRange[];
}

/** When each job of a plan is likely to be ready; a piece of work spreads as its stage's does. */
export const rangesOf = ({ given, opensNext, spreads }: DayTask, plan: DayPlan): ReadyRange[] =>
  readyRanges(given, plan, { opensNext, spreadOf: (_, act) => spreads[act.split(":")[0] ?? ""] });

/** The process's whole work: a day in, the best way to lay it out, and when each job is ready by it. */
export default function lay(task: DayTask): DayLaid {
  const plan = planDay(task.given);
  return { plan, ranges: rangesOf(task, plan) };
}
