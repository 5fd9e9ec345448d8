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

/** A figure put right, and nothing else said of it: what it was read as, and where, still holds. */
const isFigureAlone = (result: Entry, first: Entry) =>
  result.data === undefined &&
  (first.kind === "reading" || first.kind === "movement") &&
  result.kind === first.kind &&
  result.account === first.account &&
  result.unit === first.unit &&
  [result.value, result.in, result.out].some((figure) => figure !== undefined);

/** A correction tells of the moment of the line that it goes back to, and of its place and its fact where it gives a figure alone. */
function asItWas(result: Entry, first: Entry): Entry {
  if (result === first) return result;
  const isSameThing = result.kind === first.kind && result.account === first.account;
  return {
    ...result,
    at: first.at,
    ...(result.place === undefined && first.place !== undefined && isSameThing && result.item === first.item
      ? { place: first.place }
      : {}),
    ...(first.data !== undefined && isFigureAlone(result, first) ? { data: first.data } : {}),
  };
}

/** A book as it reads: what counts in it, and what doesn't any more. */
export interface Reading {
  counting: StandingEntry[];
  off: Set<string>;
  /** The reading of the same book before its last lines, and what they added; of the one before that nothing is kept. */
  from?: { reading: Reading; added: readonly StandingEntry[] };
}

/** A reading with what tells whether another list of lines goes on from it. */
interface Grown extends Reading {
  of: readonly Entry[];
  ids: Set<string>;
  /** When the first thing happened that counts in it. */
  firstMs: number;
}

/** Later in the book; where two share a number, as before a server has numbered them, the id decides. */
const later = (a: Entry, b: Entry) => a.seq - b.seq || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/** An uncorrected line stands as itself in every list that has it: told once, however often a book grows. */
const asIs = new WeakMap<Entry, StandingEntry>();
function standsAsIs(entry: Entry): StandingEntry {
  const known = asIs.get(entry);
  if (known && known.order === entry.seq) return known;
  const stands = { ...entry, order: entry.seq };
  asIs.set(entry, stands);
  return stands;
}

/** The corrections of each entry, by its id, in their order; only a later line corrects an earlier one. */
function correctionsIn(sorted: readonly Entry[]): Map<string, Entry[]> {
  const corrections = new Map<string, Entry[]>();
  if (!sorted.some(({ corrects }) => corrects)) return corrections;
  const placeOf = new Map(sorted.map((entry, index) => [entry.id, index]));
  for (const [index, entry] of sorted.entries()) {
    const target = entry.corrects === undefined ? undefined : placeOf.get(entry.corrects);
    const named = target === undefined || target >= index ? undefined : sorted[target];
    if (!named) continue;
    const list = corrections.get(named.id);
    if (list) list.push(entry);
    else corrections.set(named.id, [entry]);
  }
  return corrections;
}

/**
 * What each entry comes to once its corrections have acted, latest entries first: itself, what took its place, a strike
 * that stands, or nothing, where it was struck. A struck correction never was, so what it corrected is back.
 */
function settle(sorted: readonly Entry[]): Reading {
  const corrections = correctionsIn(sorted);
  const named = new Set([...corrections.values()].flat());
  // Only what was corrected comes to something else than itself.
  const became = new Map<string, Entry | undefined>();
  const resultOf = (entry: Entry) => (became.has(entry.id) ? became.get(entry.id) : entry);
  const off = new Set<string>();
  const corrected = corrections.size === 0 ? [] : sorted.filter(({ id }) => corrections.has(id));
  for (const entry of corrected.reverse()) {
    const given = corrections.get(entry.id) ?? [];
    const acting = given.findLast((each) => resultOf(each) !== undefined);
    const result = acting ? resultOf(acting) : entry;
    if (acting) off.add(entry.id);
    for (const other of given) if (other !== acting) off.add(other.id);
    became.set(entry.id, acting && result && isStrike(result) ? undefined : result);
  }
  const counting: StandingEntry[] = [];
  for (const entry of sorted) {
    if (named.has(entry)) continue;
    const result = resultOf(entry);
    if (!result || isStrike(result)) continue;
    counting.push(result === entry ? standsAsIs(entry) : { ...asItWas(result, entry), order: entry.seq });
  }
  return { counting, off };
}

const isInOrder = (entries: readonly Entry[]) =>
  entries.every((entry, index) => {
    const before = entries[index - 1];
    return before === undefined || before.seq < entry.seq;
  });

/** Each id once, the last of a kind, in the order of the book. */
function readAnew(entries: readonly Entry[]): Reading | Grown {
  const ids = new Set(entries.map(({ id }) => id));
  if (!isInOrder(entries) || ids.size < entries.length)
    return settle([...new Map(entries.map((entry) => [entry.id, entry])).values()].sort(later));
  const reading = settle(entries);
  const firstMs = reading.counting.reduce(
    (ms, { at }) => Math.min(ms, Date.parse(at)),
    Number.POSITIVE_INFINITY,
  );
  return { ...reading, of: [...entries], ids, firstMs };
}

/**
 * What a reading becomes by lines that come after it, tell of nothing before its beginning, and correct nothing; nothing
 * where it has to be read anew.
 */
function goneOn(before: Grown, entries: readonly Entry[]): Grown | undefined {
  const { of, ids, off, firstMs } = before;
  if (entries.length <= of.length || of.some((entry, index) => entry !== entries[index])) return undefined;
  const late = entries.slice(of.length);
  const isPlain = ({ corrects, id, seq, at }: Entry, index: number) =>
    corrects === undefined &&
    Date.parse(at) >= firstMs &&
    !ids.has(id) &&
    seq > ((index === 0 ? of.at(-1) : late[index - 1])?.seq ?? Number.NEGATIVE_INFINITY);
  if (!late.every(isPlain) || new Set(late.map(({ id }) => id)).size < late.length) return undefined;
  const added = late.map(standsAsIs);
  for (const { id } of late) ids.add(id);
  delete before.from;
  return {
    counting: [...before.counting, ...added],
    off,
    of: [...entries],
    ids,
    firstMs,
    from: { reading: before, added },
  };
}

const isGrown = (reading: Reading): reading is Grown => "firstMs" in reading;

/** The last reading of a book, by its first line. */
const lastOf = new WeakMap<Entry, Grown>();

/** How a book reads, told from how it read before its last lines where that can be. */
export const readingOf = onceFor((entries): Reading => {
  const [first] = entries;
  const before = first && lastOf.get(first);
  const reading = (before && goneOn(before, entries)) ?? readAnew(entries);
  if (first && isGrown(reading)) lastOf.set(first, reading);
  return reading;
});

/** Ids of the entries that a standing correction or strike names: they stay readable and do not count. */
export function correctedIds(entries: readonly Entry[]): Set<string> {
  return readingOf(entries).off;
}

/**
 * The entries that count, in the order in which what they tell happened: struck and corrected ones left out, a
 * correction standing where and when the entry it corrects stood, with its place and fact where it puts a figure right. A strike that is struck brings its line back, a correction
 * that is struck brings back what it corrected. The same book for the same entries in whatever order they are given.
 */
export function standing(entries: readonly Entry[]): StandingEntry[] {
  return readingOf(entries).counting;
}
