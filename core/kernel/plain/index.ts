export { asClass, Holds, isPlain, type Plain, Reads } from "./as-class.ts";
export { type Checked, checkPlain } from "./check-plain.ts";
