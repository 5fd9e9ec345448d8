import { type Account, type Entry, onceStanding, type StandingEntry, standing } from "../book/entry/index.ts";
import { balanceKey, movesCounted, outNow } from "../book/out/index.ts";

/** What two people wrote who may have meant one and the same. */
export interface Doubled {
  item: string;
  place: string;
  /** Their lines, the earliest first: one of each hand at least. */
  lines: { id: string; seq: number; by: string }[];
}

/** Of these there is mostly one at a place. Fasteners and clips are counted in handfuls, and nobody minds whose. */
const ONE_AT_A_PLACE: ReadonlySet<Account> = new Set(["hose", "connector", "part", "line-cap"]);
/** The same jug told twice, by two people who stood beside it. */
const SAME_JUG = { hours: 2, litres: 0.1 };
const HOUR_MS = 3_600_000;

const lineOf = ({ id, seq, by }: StandingEntry) => ({ id, seq, by });

function thingsTwice(entries: readonly Entry[], book: readonly StandingEntry[]): Doubled[] {
  const byId = new Map(book.map((entry) => [entry.id, entry]));
  const byThing = new Map<string, StandingEntry[]>();
  for (const { account, item, place, entryId } of outNow(entries)) {
    const line = byId.get(entryId);
    if (!line || !ONE_AT_A_PLACE.has(account)) continue;
    const key = balanceKey({ account, item, place });
    byThing.set(key, [...(byThing.get(key) ?? []), line]);
  }
  return [...byThing.values()]
    .filter((lines) => new Set(lines.map(({ by }) => by)).size > 1)
    .map((lines) => ({
      ...{ item: lines[0]?.item ?? "", place: lines[0]?.place ?? "" },
      lines: lines.map(lineOf),
    }));
}

function jugsTwice(book: readonly StandingEntry[]): Doubled[] {
  const jugs = book.filter(({ account, out }) => account === "coolant" && out !== undefined);
  return jugs.flatMap((jug, index) => {
    const same = jugs
      .slice(0, index)
      .find(
        (other) =>
          other.by !== jug.by &&
          Math.abs((other.out ?? 0) - (jug.out ?? 0)) < SAME_JUG.litres &&
          Math.abs(Date.parse(other.at) - Date.parse(jug.at)) < SAME_JUG.hours * HOUR_MS,
      );
    return same
      ? [{ item: jug.item ?? "coolant", place: jug.place ?? "", lines: [same, jug].map(lineOf) }]
      : [];
  });
}

/**
 * What two people have written each for themselves, as happens where one of them had no network: one hose that is out twice, one
 * jug that was drained twice. Nothing of it is wrong for certain, so nothing is taken away: it is shown, and one line is struck by
 * whoever knows. What went back meanwhile is over.
 */
export const doubled = onceStanding(
  (entries): readonly Doubled[] => {
    const book = standing(entries);
    if (new Set(book.map(({ by }) => by)).size < 2) return [];
    return [...thingsTwice(entries, book), ...jugsTwice(book)];
  },
  (added) => movesCounted(added) || added.account === "coolant",
);
