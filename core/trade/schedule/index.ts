export {
  type DayAct,
  type DayGiven,
  type DayJob,
  type DayPerson,
  type DayPlan,
  type DayTerms,
  type Slip,
  USUAL_TERMS,
} from "./day.ts";
export { slackOf } from "./lateness.ts";
export { planDay, plansOfDay } from "./plan-day.ts";
export { type ReadyRange, readyRanges } from "./ready-ranges.ts";
export { type Spread, spreadOf, USUAL_SPREAD } from "./spread.ts";
