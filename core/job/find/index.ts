export { isOutcome, UNSURE } from "../../diagnosis/knowledge/index.ts";
export { askedOf } from "./asked-of.ts";
export { customerText } from "./customer-text.ts";
export { circuitOf, type FindContext, type FindState, findState, type Suspect } from "./find-state.ts";
export { cannotOf, type Result, resultsOf } from "./results.ts";
export { type VerdictOffer, verdictOffer } from "./verdict-offer.ts";
