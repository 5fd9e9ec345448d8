import { type Account, onceStanding, type StandingEntry, standing } from "../entry/index.ts";

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

/** The same sums with what these lines moved. */
function moved(before: readonly BalanceLine[], lines: readonly StandingEntry[]): BalanceLine[] {
  const sums = new Map(before.map((line) => [balanceKey(line), line]));
  const own = new Set<string>();
  for (const entry of lines) {
    if (!isMoved(entry)) continue;
    const key = balanceKey(entry);
    const known = sums.get(key);
    const { account, place = "", item = "" } = entry;
    const line = known
      ? own.has(key)
        ? known
        : { ...known }
      : { account, place, item, out: 0, in: 0, open: 0 };
    line.out = rounded(line.out + (entry.out ?? 0));
    line.in = rounded(line.in + (entry.in ?? 0));
    line.open = rounded(line.out - line.in);
    sums.set(key, line);
    own.add(key);
  }
  return [...sums.values()];
}

type Moved = StandingEntry & { account: Account };
const isMoved = (entry: StandingEntry): entry is Moved =>
  entry.kind === "movement" && entry.account !== undefined;

/**
 * What went out and came back per account, place and item, in the order in which each first moved. Coolant in litres,
 * the rest in counts. Corrections taken into account.
 */
export const balance = onceStanding(
  (entries): readonly BalanceLine[] => moved([], standing(entries)),
  isMoved,
  moved,
);
