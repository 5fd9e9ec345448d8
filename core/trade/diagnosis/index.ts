export { type BeliefStep, beliefHistory } from "./belief-history.ts";
export { type Conflict, conflict } from "./conflict.ts";
export type { Heat } from "./engine.ts";
export { countsOf, type History, learnPriors, type Prior } from "./model/learn-priors.ts";
export {
  checkModel,
  type Evidence,
  HAND_BACK,
  type Model,
  type ModelRepair,
  type ModelTest,
  NOTHING_WRONG,
  type Rates,
} from "./model/model.ts";
export { type NextAction, nextActions } from "./next-actions.ts";
export { posterior } from "./posterior.ts";
export { proven, type Standing } from "./proven.ts";
export { readSwitchStamp, type StampStage, type SwitchStamp } from "./read-switch-stamp.ts";
export { type Reasons, reasonsOf, type Weighed } from "./reasons.ts";
