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

/** Where counted things are, line after line. */
interface Followed {
  /** What is out, in the order in which it left; under its key what left last stands last. */
  out: OutEntry[];
  byKey: Map<string, OutEntry[]>;
  /** What broke or was lost, by the line that says so, until another is here. */
  gone: Map<string, OutEntry[]>;
  beyond: StandingEntry[];
}

/** The same in objects of its own, which may be changed. */
function copied({ out, byKey, gone, beyond }: Followed): Followed {
  const copies = new Map(out.map((each) => [each, { ...each }]));
  const copiesOf = (all: readonly OutEntry[]) => all.flatMap((each) => copies.get(each) ?? []);
  return {
    out: [...copies.values()],
    byKey: new Map([...byKey].map(([key, all]) => [key, copiesOf(all)])),
    gone: new Map(gone),
    beyond: [...beyond],
  };
}

/** Follows on through these lines. */
function followedOn(before: Followed, lines: readonly StandingEntry[]): Followed {
  const { out, byKey, gone, beyond } = copied(before);
  const openOf = (key: string) => {
    const open = byKey.get(key) ?? [];
    byKey.set(key, open);
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
  return { out: out.filter(({ open }) => open > 0), byKey, gone, beyond };
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
