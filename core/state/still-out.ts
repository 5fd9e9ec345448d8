import { onceStanding } from "../book/index.ts";
import { type BalanceLine, balance, balanceKey } from "./balance.ts";
import { movesCounted, outNow } from "./out-now.ts";

/** The counted things (all but coolant) that are out and not back, one line for a thing at a place. */
export const stillOut = onceStanding((entries): readonly BalanceLine[] => {
  const open = new Map<string, number>();
  for (const out of outNow(entries)) open.set(balanceKey(out), (open.get(balanceKey(out)) ?? 0) + out.open);
  return balance(entries).flatMap((line) => {
    const count = open.get(balanceKey(line));
    return count ? [{ ...line, open: count }] : [];
  });
}, movesCounted);
