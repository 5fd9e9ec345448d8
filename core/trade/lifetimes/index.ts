export { compareGrades } from "./compare-grades.ts";
export type { Life } from "./life.ts";
export { type SurvivalRow, survival } from "./survival.ts";
export { weibull } from "./weibull.ts";
