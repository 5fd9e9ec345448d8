import type { Entry, EntryDraft } from "./entry.ts";
import { onceFor } from "./once-for.ts";

/** An entry that counts; `order` is the place in the book of the entry it goes back to through corrections. */
export type StandingEntry = Entry & { order: number };

const SAID = ["account", "item", "place", "out", "in", "unit", "value", "text"] as const;

/** True where a correction carries nothing at all, so that it strikes the named entry out. */
export function isStrike(entry: Entry | EntryDraft): boolean {
  if (!entry.corrects) return false;
  return SAID.every((field) => entry[field] === undefined) && Object.keys(entry.data ?? {}).length === 0;
}

interface Reading {
  counting: StandingEntry[];
  off: Set<string>;
}

/** Later in the book; where two share a number, as before a server has numbered them, the id decides. */
const later = (a: Entry, b: Entry) => a.seq - b.seq || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/**
 * What each entry comes to once its corrections have acted, latest entries first: itself, what took its place, a strike
 * that stands, or nothing, where it was struck. A struck correction never was, so what it corrected is back.
 */
function settle(sorted: readonly Entry[]): Reading {
  const byId = new Map(sorted.map((entry) => [entry.id, entry]));
  const seqOf = new Map(sorted.map((entry, index) => [entry.id, index]));
  const corrections = new Map<string, Entry[]>();
  for (const entry of sorted) {
    const target = entry.corrects && byId.get(entry.corrects);
    if (!target || (seqOf.get(target.id) ?? 0) >= (seqOf.get(entry.id) ?? 0)) continue;
    const list = corrections.get(target.id);
    if (list) list.push(entry);
    else corrections.set(target.id, [entry]);
  }
  const named = new Set([...corrections.values()].flat());
  const became = new Map<string, Entry | undefined>();
  const isActing = (entry: Entry) => became.get(entry.id) !== undefined;
  const off = new Set<string>();
  for (const entry of [...sorted].reverse()) {
    const given = corrections.get(entry.id);
    const acting = given?.findLast(isActing);
    const result = acting ? became.get(acting.id) : entry;
    if (acting) off.add(entry.id);
    for (const other of given ?? []) if (other !== acting) off.add(other.id);
    became.set(entry.id, acting && result && isStrike(result) ? undefined : result);
  }
  const counting: StandingEntry[] = [];
  for (const entry of sorted) {
    if (named.has(entry)) continue;
    const result = became.get(entry.id);
    if (result && !isStrike(result)) counting.push({ ...result, order: entry.seq });
  }
  return { counting, off };
}

const readingOf = onceFor((entries): Reading => {
  const once = new Map(entries.map((entry) => [entry.id, entry]));
  return settle([...once.values()].sort(later));
});

/** Ids of the entries that a standing correction or strike names: they stay readable and do not count. */
export function correctedIds(entries: readonly Entry[]): Set<string> {
  return readingOf(entries).off;
}

/**
 * The entries that count, in the order in which what they tell happened: struck and corrected ones left out, a
 * correction standing where the entry it corrects stood. A strike that is struck brings its line back, a correction
 * that is struck brings back what it corrected. The same book for the same entries in whatever order they are given.
 */
export function standing(entries: readonly Entry[]): StandingEntry[] {
  return readingOf(entries).counting;
}
