import { type ValidationError, validateSync } from "class-validator";
import { type Entry, type EntryDraft, onceStanding, type StandingEntry, standing } from "../entry/index.ts";
import type { FactClass, Loose } from "./fact.ts";
import { FACTS, LOOSE_ORDER } from "./list.ts";

const byName = new Map<string, FactClass>(FACTS.map((each) => [each.fact, each]));

/** What an entry says, read and sound. */
export interface ReadFact<Fact extends object = object> {
  kind: FactClass<Fact>;
  fact: Fact;
}

/** One of `factsOf`: the fact with the entry that says it. */
export interface Said<Fact extends object> {
  fact: Fact;
  entry: StandingEntry;
}

/** Every message of a check, in order. */
export const messagesOf = (errors: readonly ValidationError[]): string[] =>
  errors.flatMap(({ property, constraints, children }) => [
    ...Object.entries(constraints ?? {}).map(([name, said]) =>
      name === "whitelistValidation" ? `There is no such thing as “${property.slice(0, 40)}” in it.` : said,
    ),
    ...messagesOf(children ?? []),
  ]);

/** The fields as an instance of the fact's class, or what is wrong with them. */
function soundOf<Fact extends object>(
  kind: FactClass<Fact>,
  fields: Loose,
): { fact: Fact } | { trouble: string } {
  const fact = new kind();
  for (const [name, value] of Object.entries(fields)) {
    // What every object has by nature is nobody's field, and put in its place it breaks whoever asks for it.
    if (name in Object.prototype) return { trouble: `There is no such thing as “${name}” in it.` };
    if (value !== undefined) (fact as Loose)[name] = value;
  }
  const [trouble] = messagesOf(
    validateSync(fact, {
      whitelist: true,
      forbidNonWhitelisted: true,
      forbidUnknownValues: false,
      stopAtFirstError: true,
    }),
  );
  return trouble === undefined ? { fact } : { trouble };
}

/** Without data only a caution and what Ask once wrote down by its name can say anything. */
const mayBeLoose = ({ kind, item }: EntryDraft | Entry) =>
  kind === "caution" || ((kind === "note" || kind === "reading") && item !== undefined);

type Fields = { kind: FactClass; fields: Loose } | { unknown: string } | undefined;

/** Which fact an entry says and its fields in the current version, before anybody has checked them. */
function fieldsOf(entry: EntryDraft | Entry): Fields {
  const data = entry.data as Loose | null | undefined;
  if (data && (typeof data !== "object" || Array.isArray(data))) return { unknown: "data" };
  if (data && "fact" in data) {
    const { fact, v, ...fields } = data;
    // A name that is no text is not to be made one: `{"toString":null}` has none.
    if (typeof fact !== "string") return { unknown: "data" };
    const kind = byName.get(fact);
    if (!kind || typeof v !== "number" || v > kind.version) return { unknown: fact.slice(0, 40) };
    const today = v === kind.version ? fields : kind.lift?.(fields, v, entry);
    if (!today) return { unknown: kind.fact };
    return kind.became?.(today, entry) ?? { kind, fields: today };
  }
  if (!data && !mayBeLoose(entry)) return undefined;
  for (const kind of LOOSE_ORDER) {
    const fields = kind.liftLoose?.(data ?? {}, entry);
    if (fields) return { kind, fields };
  }
  return undefined;
}

function readFact(entry: EntryDraft | Entry): ReadFact | undefined {
  const found = fieldsOf(entry);
  if (!found || !("kind" in found) || !found.kind.kinds.includes(entry.kind)) return undefined;
  const sound = soundOf(found.kind, found.fields);
  return "fact" in sound ? { kind: found.kind, fact: sound.fact } : undefined;
}

/** Read once for what an entry says in, which its copies share; older ones are read with the entry that says them. */
const read = new WeakMap<object, { kind: EntryDraft["kind"]; result: ReadFact | undefined }>();

/** Said in today's words whatever entry says it. */
function isCurrent(data: Loose): boolean {
  const kind = typeof data === "object" && typeof data.fact === "string" ? byName.get(data.fact) : undefined;
  return kind !== undefined && kind.version === data.v && !kind.became;
}

/** What an entry says beyond its figures, whatever version wrote it; nothing where it is unknown or unsound. */
export function factOf(entry: EntryDraft | Entry): ReadFact | undefined {
  if (!entry.data && !mayBeLoose(entry)) return undefined;
  const key = entry.data && isCurrent(entry.data) ? entry.data : entry;
  const known = read.get(key);
  if (known && known.kind === entry.kind) return known.result;
  const result = readFact(entry);
  read.set(key, { kind: entry.kind, result });
  return result;
}

/** The name of a fact that this version does not know, or can't read; such an entry is shown as written. */
export function unknownFactOf(entry: EntryDraft | Entry): string | undefined {
  const found = fieldsOf(entry);
  return found && "unknown" in found ? found.unknown : undefined;
}

type SaidBy = Map<FactClass, Said<object>[]>;

/** The same lists with what these lines say behind each. */
function saidToo(by: SaidBy, lines: readonly StandingEntry[]): SaidBy {
  const all: SaidBy = new Map(by);
  const own = new Set<FactClass>();
  for (const entry of lines) {
    const found = factOf(entry);
    if (!found) continue;
    const said = { fact: found.fact, entry };
    const list = all.get(found.kind) ?? [];
    if (own.has(found.kind)) list.push(said);
    else all.set(found.kind, [...list, said]);
    own.add(found.kind);
  }
  return all;
}

/** What stands in a book by the kind of fact, each kind in the order of the book. */
const saidBy = onceStanding(
  (entries) => saidToo(new Map(), standing(entries)),
  (added) => factOf(added) !== undefined,
  saidToo,
);

/**
 * Everything of one kind that stands in a book, in the order in which what it tells happened: the one way to ask whether
 * somebody said it.
 * @example factsOf(entries, ChosenPart).map(({ fact }) => fact.supplier)
 */
export const factsOf = <Fact extends object>(
  entries: readonly Entry[],
  kind: FactClass<Fact>,
): readonly Said<Fact>[] => (saidBy(entries).get(kind as FactClass) ?? []) as Said<Fact>[];

/** The last of one kind that stands. */
export const lastFact = <Fact extends object>(
  entries: readonly Entry[],
  kind: FactClass<Fact>,
): Said<Fact> | undefined => factsOf(entries, kind).at(-1);

/** A fact as it is stored with an entry. */
export const dataOf = <Fact extends object>(kind: FactClass<Fact>, fields: Fact): Loose => ({
  fact: kind.fact,
  v: kind.version,
  ...fields,
});

/** The entry with its fact in the current version; itself where it says none, or one that can't be read. */
export function lifted<Each extends EntryDraft | Entry>(entry: Each): Each {
  const found = fieldsOf(entry);
  if (
    !found ||
    "unknown" in found ||
    (entry.data?.fact === found.kind.fact && entry.data.v === found.kind.version)
  )
    return entry;
  return { ...entry, data: { fact: found.kind.fact, v: found.kind.version, ...found.fields } };
}

/** What is wrong with what an entry says, in one sentence; nothing where it is sound or says nothing. */
export function factTrouble(entry: EntryDraft | Entry): string | undefined {
  const found = fieldsOf(entry);
  if (!found)
    return entry.data && Object.keys(entry.data).length > 0 ? "What it says is not known here." : undefined;
  if ("unknown" in found) return `“${found.unknown}” is not known here.`;
  if (!found.kind.kinds.includes(entry.kind)) return `A line of kind ${entry.kind} can't say that.`;
  const sound = soundOf(found.kind, found.fields);
  return "trouble" in sound ? sound.trouble : undefined;
}
