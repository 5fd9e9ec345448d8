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
export { planDay, plansOfDay } from "./plan-day.ts";
