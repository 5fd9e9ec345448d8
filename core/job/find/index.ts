export { askedOf } from "./asked-of.ts";
export { customerText } from "./customer-text.ts";
export { circuitOf, type FindContext, type FindState, findState, type Suspect } from "./find-state.ts";
export { cannotOf, isOutcome, type Result, resultsOf, UNSURE } from "./results.ts";
export { type VerdictOffer, verdictOffer } from "./verdict-offer.ts";
