import { type Account, type Entry, onceFor, type StandingEntry, standing } from "../book/index.ts";
import { balanceKey } from "./balance.ts";

/** One entry's worth of a thing that is out: what is left of it after what has gone back since. */
export interface OutEntry {
  account: Account;
  item: string;
  place: string;
  open: number;
  /** The entry that wrote it out. */
  entryId: string;
  where?: string;
}

type Counted = StandingEntry & { account: Account };

const isCounted = (entry: StandingEntry): entry is Counted =>
  entry.kind === "movement" && entry.account !== undefined && entry.account !== "coolant";

/**
 * The counted things that are out, oldest first, followed in the order in which they moved: what goes back is taken from
 * what left last before it. What went in without having been out is nobody's debt, so that a part tried and taken off
 * again is out.
 */
export const outNow = onceFor((entries): OutEntry[] => {
  const outs: OutEntry[] = [];
  const openByKey = new Map<string, OutEntry[]>();
  for (const entry of standing(entries)) {
    if (!isCounted(entry)) continue;
    const key = balanceKey(entry);
    const open = openByKey.get(key) ?? [];
    openByKey.set(key, open);
    if (entry.out) {
      const { account, item = "", place = "", text } = entry;
      const out: OutEntry = { account, item, place, open: entry.out, entryId: entry.id, where: text };
      open.push(out);
      outs.push(out);
    }
    let back = entry.in ?? 0;
    for (let last = open.at(-1); back > 0 && last; last = open.at(-1)) {
      const taken = Math.min(back, last.open);
      last.open -= taken;
      back -= taken;
      if (last.open <= 0) open.pop();
    }
  }
  return outs.filter((out) => out.open > 0);
});

/** How many of one thing at one place are out now. */
export function outOpen(
  entries: readonly Entry[],
  of: { account?: Account; item?: string; place?: string },
): number {
  const key = balanceKey(of);
  return outNow(entries).reduce((sum, out) => (balanceKey(out) === key ? sum + out.open : sum), 0);
}
