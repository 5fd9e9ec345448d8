import { type Account, type Entry, onceStanding, type StandingEntry, standing } from "../entry/index.ts";
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

/** Where counted things are, line after line. */
interface Followed {
  /** What is out, in the order in which it left; under its key what left last stands last. */
  out: OutEntry[];
  byKey: Map<string, OutEntry[]>;
  /** What broke or was lost, by the line that says so, until another is here. */
  gone: Map<string, OutEntry[]>;
  beyond: StandingEntry[];
}

/** Follows on through these lines; what others may still read of `before` stays as it is. */
function followedOn(before: Followed, lines: readonly StandingEntry[]): Followed {
  const out = [...before.out];
  const byKey = new Map(before.byKey);
  const gone = new Map(before.gone);
  const beyond = [...before.beyond];
  const own = new Set<string>();
  const copies = new Map<OutEntry, OutEntry>();
  const openOf = (key: string) => {
    const known = byKey.get(key) ?? [];
    if (own.has(key)) return known;
    const open = known.map((each) => ({ ...each }));
    for (const [place, each] of known.entries()) copies.set(each, open[place] ?? each);
    byKey.set(key, open);
    own.add(key);
    return open;
  };
  const leaves = (left: OutEntry) => {
    out.push(left);
    openOf(balanceKey(left)).push(left);
  };
  for (const entry of lines) {
    const said = entry.kind === "note" ? factOf(entry)?.fact : undefined;
    const { account, item = "", place = "", text, at } = entry;
    if (said instanceof ToGet && said.account)
      gone.set(entry.id, taken(openOf(balanceKey({ account: said.account, item, place })), said.count));
    else if (said instanceof Got) {
      for (const back of gone.get(said.line) ?? []) leaves({ ...back });
      gone.delete(said.line);
    }
    if (!isCounted(entry) || !account) continue;
    if (entry.out) leaves({ account, item, place, open: entry.out, entryId: entry.id, at, where: text });
    const back = taken(openOf(balanceKey(entry)), entry.in ?? 0).reduce((sum, each) => sum + each.open, 0);
    if ((entry.in ?? 0) > back) beyond.push(entry);
  }
  const now = copies.size === 0 ? out : out.map((each) => copies.get(each) ?? each);
  return { out: now.filter(({ open }) => open > 0), byKey, gone, beyond };
}

const NOTHING: Followed = { out: [], byKey: new Map(), gone: new Map(), beyond: [] };
const followed = onceStanding((entries) => followedOn(NOTHING, standing(entries)), movesCounted, followedOn);

/**
 * The counted things that are out, oldest first, followed in the order in which they moved: what goes back is taken from
 * what left last before it. What went in without having been out is nobody's debt, so that a part tried and taken off
 * again is out. What broke or is lost is not where it lay any more: it is out again once another is here.
 */
export const outNow = (entries: readonly Entry[]): readonly OutEntry[] => followed(entries).out;

/** The lines that say that more went back than was out at that moment, in the order of the book. */
export const wentInBeyond = (entries: readonly Entry[]): readonly StandingEntry[] => followed(entries).beyond;

/** How many of one thing at one place are out now. */
export function outOpen(
  entries: readonly Entry[],
  of: { account?: Account; item?: string; place?: string },
): number {
  const open = followed(entries).byKey.get(balanceKey(of)) ?? [];
  return open.reduce((sum, out) => sum + out.open, 0);
}
