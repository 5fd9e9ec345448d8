export { checkKnown, FIT_CHECKS, type FitCheckKind, WAYS_BACK, type WayBack } from "./back.ts";
export {
  backNow,
  inOrder,
  moved,
  orderTrouble,
  readyNow,
  sorted,
  stepsFor,
  timeOf,
  timeWords,
} from "./order-of-work.ts";
export { FEATURES, type Feature, GOALS, type Goal, type Needs, type WorkStep } from "./step.ts";
