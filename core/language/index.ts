export { completeLine } from "./complete-line.ts";
export type { Expectation, LineContext, LineReading } from "./line.ts";
export { readLine } from "./read-line.ts";
