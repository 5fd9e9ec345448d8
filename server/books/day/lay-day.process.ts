import { type DayGiven, type DayPlan, planDay } from "../../../core/trade/schedule/index.ts";
import { workAfterBookings } from "../../threads/after-bookings.ts";

workAfterBookings();

/** The process's whole work: a day in, the best way to lay it out. */
export default function lay(given: DayGiven): DayPlan {
  return planDay(given);
}
