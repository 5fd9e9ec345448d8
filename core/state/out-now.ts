import { type Account, type Entry, onceStanding, type StandingEntry, standing } from "../book/index.ts";
import { factOf, Got, ToGet } from "../facts/index.ts";
import { balanceKey } from "./balance.ts";

/** One entry's worth of a thing that is out: what is left of it after what has gone back since. */
export interface OutEntry {
  account: Account;
  item: string;
  place: string;
  open: number;
  /** The entry that wrote it out, and when it came off, ISO 8601. */
  entryId: string;
  at: string;
  where?: string;
}

type Counted = StandingEntry & { account: Account };

const isCounted = (entry: StandingEntry): entry is Counted =>
  entry.kind === "movement" && entry.account !== undefined && entry.account !== "coolant";

/** Takes so many from what left last, and says from which. */
function taken(open: OutEntry[], count: number): OutEntry[] {
  const from: OutEntry[] = [];
  let left = count;
  for (let last = open.at(-1); left > 0 && last; last = open.at(-1)) {
    const some = Math.min(left, last.open);
    last.open -= some;
    left -= some;
    from.push({ ...last, open: some });
    if (last.open <= 0) open.pop();
  }
  return from;
}

/** Whether a line moves something that is counted, or says that one is gone for good or here again. */
export function movesCounted(entry: StandingEntry): boolean {
  const said = factOf(entry)?.fact;
  return isCounted(entry) || said instanceof ToGet || said instanceof Got;
}

const followed = onceStanding((entries): { out: OutEntry[]; beyond: StandingEntry[] } => {
  const outs: OutEntry[] = [];
  const beyond: StandingEntry[] = [];
  const openByKey = new Map<string, OutEntry[]>();
  const gone = new Map<string, OutEntry[]>();
  for (const entry of standing(entries)) {
    const said = entry.kind === "note" ? factOf(entry)?.fact : undefined;
    if (said instanceof ToGet && said.account) {
      const { item, place } = entry;
      const open = openByKey.get(balanceKey({ account: said.account, item, place })) ?? [];
      gone.set(entry.id, taken(open, said.count));
    } else if (said instanceof Got) {
      const back = gone.get(said.line) ?? [];
      gone.delete(said.line);
      for (const each of back) {
        outs.push(each);
        openByKey.get(balanceKey(each))?.push(each);
      }
    }
    if (!isCounted(entry)) continue;
    const key = balanceKey(entry);
    const open = openByKey.get(key) ?? [];
    openByKey.set(key, open);
    if (entry.out) {
      const { account, item = "", place = "", text, at } = entry;
      const out: OutEntry = { account, item, place, open: entry.out, entryId: entry.id, at, where: text };
      open.push(out);
      outs.push(out);
    }
    const back = taken(open, entry.in ?? 0).reduce((sum, each) => sum + each.open, 0);
    if ((entry.in ?? 0) > back) beyond.push(entry);
  }
  return { out: outs.filter((out) => out.open > 0), beyond };
}, movesCounted);

/**
 * The counted things that are out, oldest first, followed in the order in which they moved: what goes back is taken from
 * what left last before it. What went in without having been out is nobody's debt, so that a part tried and taken off
 * again is out. What broke or is lost is not where it lay any more: it is out again once another is here.
 */
export const outNow = (entries: readonly Entry[]): OutEntry[] => followed(entries).out;

/** The lines that say that more went back than was out at that moment, in the order of the book. */
export const wentInBeyond = (entries: readonly Entry[]): readonly StandingEntry[] => followed(entries).beyond;

/** How many of one thing at one place are out now. */
export function outOpen(
  entries: readonly Entry[],
  of: { account?: Account; item?: string; place?: string },
): number {
  const key = balanceKey(of);
  return outNow(entries).reduce((sum, out) => (balanceKey(out) === key ? sum + out.open : sum), 0);
}
