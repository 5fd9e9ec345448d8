export { type DistanceRead, type DrivingPattern, drivingPattern } from "./driving-pattern.ts";
export { type FollowUp, followUps, type SignedWork } from "./follow-ups.ts";
export { CALLS, type Call, type FollowUpRule, USUAL_RULES } from "./rules.ts";
