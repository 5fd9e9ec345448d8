import { correctedBecause } from "../book/acts/index.ts";
import { describeEntry } from "../book/describe/index.ts";
import { correctedIds, isStrike } from "../book/entry/index.ts";
import { factOf } from "../book/facts/index.ts";
import { stillOut } from "../book/out/index.ts";
import type { Expectation, LineContext, LineReading } from "./line.ts";
import type { Word } from "./words.ts";

const VERBS: Readonly<Record<string, "correct" | "strike">> = {
  correct: "correct",
  strike: "strike",
  undo: "strike",
};
const SPOKEN = new Set(["line", "lines", "number", "no", "entry", "out"]);

type Listed = NonNullable<LineContext["book"]>[number];

function bookOf({ book, entries }: LineContext): readonly Listed[] {
  if (book) return book;
  const off = correctedIds(entries ?? []);
  return (entries ?? []).map((entry) => ({
    seq: entry.seq,
    id: entry.id,
    kind: entry.kind,
    correctable: !off.has(entry.id),
    stays: factOf(entry)?.kind.staysBecause,
  }));
}

/** The book as it was before the line that is corrected: what it took back is out again. */
function contextWithout(context: LineContext, id: string): LineContext {
  const { entries } = context;
  if (!entries) return { ...context, book: undefined };
  const last = entries.reduce((high, { seq }) => Math.max(high, seq), 0);
  const named = entries.find((entry) => entry.id === id);
  const struck = named && {
    ...strikeOf(id, named.kind),
    id: `${id} struck`,
    jobId: "",
    seq: last + 1,
    at: "",
    by: "",
    stage: named.stage,
  };
  return {
    ...context,
    book: undefined,
    entries: undefined,
    open: struck ? stillOut([...entries, struck]) : context.open,
  };
}

const strikeOf = (id: string, kind: Listed["kind"]) => ({ kind, corrects: id });

/** What striking a line does, with the line itself: “last” is whoever's line came last. */
function strikeWords(named: Listed, { entries, system }: LineContext): string {
  const entry = entries?.find(({ id }) => id === named.id);
  if (!entry) return `Strike out line ${named.seq}.`;
  if (!isStrike(entry)) return `Strike out line ${named.seq}: ${describeEntry(entry, system)}`;
  const back = entries?.find(({ id }) => id === entry.corrects);
  return `Bring line ${back?.seq ?? "?"} back${back ? `: ${describeEntry(back, system)}` : "."}`;
}

/** The number that a correction names, `14`, `#14`, `line 14` or `no. 14:`, and the words behind it. */
function numberOf(
  words: readonly Word[],
  last: number | undefined,
): { seq?: number; at: number; rest: Word[]; from: number } {
  let index = 1;
  while (SPOKEN.has(words[index]?.word ?? "") && words.length > index + 1) index++;
  if (words[index]?.word === "#") index++;
  const word = words[index];
  const isLast = word?.word === "last" || word?.word === "that";
  const digits = isLast ? String(last ?? "") || undefined : /^#?(\d{1,6})$/.exec(word?.word ?? "")?.[1];
  const rest = words.slice(index + 1);
  if (["to", "is", "as"].includes(rest[0]?.word ?? "") && rest.length > 1) rest.shift();
  return {
    seq: digits === undefined || word?.quoted ? undefined : Number(digits),
    at: word?.at ?? words.at(-1)?.end ?? 0,
    rest,
    from: rest[0]?.at ?? words.at(-1)?.end ?? 0,
  };
}

const WHY = "because";
const MOST_WHY = 300;

/** Where a correction of a signed job says why: behind its last bare “because”. */
function whyOf(words: readonly Word[], text: string): { at: number; why: string } | undefined {
  const word = words.findLast(({ word: said, quoted }) => said === WHY && !quoted);
  const why =
    word &&
    text
      .slice(word.end)
      .replace(/^[\s:,]+/, "")
      .trim();
  return word && why ? { at: word.at, why: why.slice(0, MOST_WHY) } : undefined;
}

/**
 * The same once the job is signed, when a correction says why at its end: `correct 14 add 4 l because the jug was misread`.
 */
export function readLateCorrection(
  words: readonly Word[],
  text: string,
  context: LineContext,
  readRest: (text: string, context: LineContext) => LineReading | Expectation,
): LineReading | Expectation | undefined {
  const said = whyOf(words, text);
  if (!said && words.at(-1)?.word === WHY) return { expected: "why it was wrong", at: text.length };
  const before = said ? words.filter(({ at }) => at < said.at) : words;
  const line = readCorrection(before, said ? text.slice(0, said.at) : text, context, readRest);
  if (!line || "expected" in line) return line;
  if (!said) return { expected: "why, as the job is signed: … because the jug was misread", at: text.length };
  const wrong = line.entry.corrects ?? "";
  return {
    entry: line.entry,
    more: [...line.more, correctedBecause(wrong, said.why)],
    reading: `${line.reading} Because: ${said.why.replace(/\.$/, "")}.`,
  };
}

/**
 * `strike 14` and `correct 14 …`, with “line”, “#” or nothing before the number. What a line becomes is read against the
 * book without it. Nothing where the line starts with neither.
 */
export function readCorrection(
  words: readonly Word[],
  text: string,
  context: LineContext,
  readRest: (text: string, context: LineContext) => LineReading | Expectation,
): LineReading | Expectation | undefined {
  const first = words[0];
  const verb = first && !first.quoted && Object.hasOwn(VERBS, first.word) ? VERBS[first.word] : undefined;
  if (!first || !verb) return undefined;
  const listed = bookOf(context);
  const last = listed.findLast(({ correctable, stays }) => correctable && !stays)?.seq;
  const { seq, at, rest, from } = numberOf(words, last);
  const named = listed.find((line) => line.seq === seq);
  if (!named) return { expected: `the number of the line to ${verb}: ${verb} 14`, at };
  if (!named.correctable)
    return { expected: "a line that has not been corrected already: name the later one", at };
  if (named.stays)
    return { expected: `another line: ${named.stays.charAt(0).toLowerCase()}${named.stays.slice(1)}`, at };
  if (verb === "strike") {
    if (rest[0]) return { expected: "nothing more: strike takes one number", at: rest[0].at };
    return { entry: strikeOf(named.id, named.kind), more: [], reading: strikeWords(named, context) };
  }
  const right = readRest(" ".repeat(from) + text.slice(from), contextWithout(context, named.id));
  if ("expected" in right) return { expected: right.expected, at: Math.max(right.at, from) };
  if (right.more.length > 0) return { expected: "one thing: a correction replaces one line", at: from };
  return {
    entry: { ...right.entry, corrects: named.id },
    more: [],
    reading: `Line ${named.seq} becomes: ${right.reading}`,
  };
}
