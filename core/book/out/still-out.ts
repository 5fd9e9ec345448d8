import { onceStanding } from "../entry/index.ts";
import { type BalanceLine, balance } from "./balance.ts";
import { movesCounted, outOpen } from "./out-now.ts";

/** The counted things (all but coolant) that are out and not back, one line for a thing at a place. */
export const stillOut = onceStanding((entries): readonly BalanceLine[] => {
  return balance(entries).flatMap((line) => {
    const open = line.account === "coolant" ? 0 : outOpen(entries, line);
    return open ? [{ ...line, open }] : [];
  });
}, movesCounted);
