export { type BleedRun, bleedRun } from "./bleed-run.ts";
export { isHeld } from "./is-held.ts";
export { type MixAdvice, type MixAsked, type MixDoes, mixAdvice } from "./mix-advice.ts";
export { type Unaccounted, unaccountedAs } from "./unaccounted.ts";
export { type CoolantOnShelf, isCards, shelfLabel } from "./what-goes-in.ts";
