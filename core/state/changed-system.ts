import { type Entry, standing } from "../book/entry/index.ts";

/** Less than that is topped up or wiped away; more, and what it holds is another fill, litres. */
const REFILL_L = 0.5;
/** No tank takes so much for a top-up. */
const POURED_L = 1;

/** Whether a job's book changed what a vehicle's cooling system holds: it was drained or filled, its size changed, or coolant was left in old parts. */
export function changedSystem(entries: readonly Entry[]): boolean {
  let outL = 0;
  let pouredL = 0;
  for (const { account, kind, item, out = 0, in: inL = 0 } of standing(entries)) {
    if (account !== "coolant" || kind !== "movement") continue;
    if (item === "capacity") return true;
    if (item === "drained" || item === "kept") outL += out;
    if (item === "poured") pouredL += inL;
  }
  return outL >= REFILL_L || pouredL >= POURED_L;
}
