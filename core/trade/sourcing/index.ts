export { breakEvenHours } from "./break-even-hours.ts";
export { type BreakEven, breakEvens } from "./break-evens.ts";
export { type Compared, compareOptions, type GoesFor } from "./compare-options.ts";
export { GRADES, type Grade } from "./grade.ts";
export { checkOption, checkTerms, type Option, type Terms } from "./option.ts";
export { type Repeats, repeatFailures } from "./repeat-failures.ts";
export { type SchoolSays, schoolsSay } from "./schools.ts";
export { USUAL_BY_GRADE, USUAL_DRAWS } from "./usual.ts";
export { type WeighedOptions, weigh } from "./weigh.ts";
