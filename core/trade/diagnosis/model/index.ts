export { countsOf, type History, learnPriors, type Prior } from "./learn-priors.ts";
export {
  checkModel,
  type Evidence,
  HAND_BACK,
  type Model,
  type ModelRepair,
  NOTHING_WRONG,
  type Rates,
  readEvidence,
  trustModel,
} from "./model.ts";
