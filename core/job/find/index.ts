export { isOutcome, UNSURE } from "../../diagnosis/knowledge/index.ts";
export { askedOf } from "./asked-of.ts";
export { type Cannot, cannotOf } from "./cannot.ts";
export { customerText } from "./customer-text.ts";
export { heatOf, restedHours } from "./engine-now.ts";
export {
  circuitOf,
  type FindContext,
  type FindState,
  findState,
  type Suspect,
  withoutTried,
} from "./find-state.ts";
export { type Result, resultsOf } from "./results.ts";
export { type VerdictOffer, verdictOffer } from "./verdict-offer.ts";
