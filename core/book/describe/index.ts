export { describeEntry } from "./describe-entry.ts";
