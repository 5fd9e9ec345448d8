export { type BleedRun, bleedRun } from "./bleed-run.ts";
export { type Unaccounted, unaccountedAs } from "./unaccounted.ts";
