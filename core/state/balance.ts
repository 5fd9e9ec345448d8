import type { Account } from "../book/index.ts";
import { onceStanding, standing } from "../book/index.ts";

export interface BalanceLine {
  account: Account;
  place: string;
  item: string;
  out: number;
  in: number;
  /** out − in: what hasn't gone back; below zero, what went in beyond what came out. */
  open: number;
}

/** Litres below this are arithmetic, not coolant. */
const ROUND_L = 1e6;

const keys = new WeakMap<object, string>();

/** What a thing is counted under: its account, place and name, however they were written. Worked out once for a line. */
export function balanceKey(line: { account?: Account; place?: string; item?: string }): string {
  const known = keys.get(line);
  if (known !== undefined) return known;
  const key = [line.account, line.place, line.item]
    .map((part) => (part ?? "").trim().toLowerCase())
    .join("|");
  keys.set(line, key);
  return key;
}

const rounded = (figure: number) => Math.round(figure * ROUND_L) / ROUND_L;

/**
 * What went out and came back per account, place and item, in the order in which each first moved. Coolant in litres,
 * the rest in counts. Corrections taken into account.
 */
export const balance = onceStanding(
  (entries): BalanceLine[] => {
    const lines = new Map<string, BalanceLine>();
    for (const entry of standing(entries)) {
      if (entry.kind !== "movement" || !entry.account) continue;
      const key = balanceKey(entry);
      const line = lines.get(key) ?? {
        account: entry.account,
        place: entry.place ?? "",
        item: entry.item ?? "",
        out: 0,
        in: 0,
        open: 0,
      };
      line.out = rounded(line.out + (entry.out ?? 0));
      line.in = rounded(line.in + (entry.in ?? 0));
      line.open = rounded(line.out - line.in);
      lines.set(key, line);
    }
    return [...lines.values()];
  },
  ({ kind, account }) => kind === "movement" && account !== undefined,
);
