import type { EntryDraft } from "../entry.ts";
import { describeEntry } from "./describe.ts";
import type { Expectation, LineContext, LineReading } from "./line.ts";
import { readCoolant } from "./read-coolant.ts";
import { readBack, readOut } from "./read-movement.ts";
import { readReading } from "./read-reading.ts";
import { type Token, tokens } from "./tokens.ts";
import { MOVES, type Move, READINGS } from "./vocabulary.ts";

const OPENERS =
  "out, in, unplug, drain, spill, kept, missing, add, tool, ect, level, test, note, correct or strike";

const moveOf = (word: string): Move | undefined =>
  (Object.keys(MOVES) as Move[]).find((move) => (MOVES[move] as readonly string[]).includes(word));

/** Inside a reading, "on" and "off" say what the fan does. */
function findMove(words: Token[]): { move: Move; index: number } | undefined {
  const first = words[0];
  if (first?.word === "plug" && !words.some((token) => token.word === "out" || token.word === "off")) {
    return { move: "in", index: -1 };
  }
  for (const [index, token] of words.entries()) {
    const move = token.quoted ? undefined : moveOf(token.word);
    if (move) return { move, index };
  }
  return undefined;
}

function readOutcome(words: Token[], text: string): EntryDraft | Expectation {
  const outcomes = { pass: "pass", fail: "fail", unsure: "not-seen", seen: "not-seen" } as const;
  const last = words.at(-1);
  const verdict = outcomes[last?.word as keyof typeof outcomes];
  if (!last || words.length < 3 || !verdict) {
    return { expected: "what was tested, then pass, fail or not seen: test fuse 12 pass", at: text.length };
  }
  const end = last.word === "seen" && words.at(-2)?.word === "not" ? (words.at(-2) as Token).at : last.at;
  return { kind: "test", item: text.slice((words[1] as Token).at, end).trim(), data: { verdict } };
}

function readLevel(words: Token[], text: string): EntryDraft | Expectation {
  const marks = {
    min: "at the minimum",
    line: "at the line",
    max: "at the maximum",
    low: "below the minimum",
    empty: "none to be seen",
  };
  const mark = words.find((token) => token.word in marks);
  if (!mark)
    return {
      expected: "where it stands: level line, min, max, low or empty, and cold if it was cold",
      at: text.length,
    };
  const known = ["cold", "hot", "level", "at", "the", "cap"];
  const stranger = words.find((token) => token !== mark && !known.includes(token.word));
  if (stranger) return { expected: "cold, hot or nothing more", at: stranger.at };
  const cold = words.some((token) => token.word === "cold");
  const heat = cold ? ", cold" : words.some((token) => token.word === "hot") ? ", hot" : "";
  return {
    kind: "reading",
    item: "coolant level",
    text: `${marks[mark.word as keyof typeof marks]}${heat}`,
    data: { level: mark.word, coldCheck: cold },
  };
}

function readDraft(
  words: Token[],
  text: string,
  context: LineContext,
): EntryDraft | EntryDraft[] | Expectation {
  const first = words[0];
  if (!first) return { expected: `a first word: ${OPENERS}`, at: 0 };
  if (first.word === "note") {
    const note = text.slice(first.at + first.text.length).trim();
    return note ? { kind: "note", text: note } : { expected: "what you saw", at: text.length };
  }
  if (first.word === "test") return readOutcome(words, text);
  if (first.word === "level") return readLevel(words, text);
  const found = findMove(words);
  const hasFigure = words.some((token) => token.bare !== undefined || token.quantity);
  if (Object.hasOwn(READINGS, first.word) && (!found || (hasFigure && ["in", "out"].includes(found.move)))) {
    return readReading(words, text, context);
  }
  if (!found) {
    return { expected: `a word that says what happened: ${OPENERS}`, at: first.at };
  }
  const rest = words.filter((_, index) => index !== found.index);
  switch (found.move) {
    case "out":
      return readOut(rest, text, context);
    case "unplug":
      return readOut(rest, text, context, { account: "connector", item: "plug" });
    case "in":
      return readBack(rest, text, context);
    default:
      return readCoolant(found.move, rest, text, context);
  }
}

function readCorrection(words: Token[], text: string, context: LineContext): LineReading | Expectation {
  const verb = words[0] as Token;
  const number = words[1];
  const named = context.book?.find((line) => line.seq === number?.bare);
  if (!number || !named)
    return {
      expected: `the number of the line to ${verb.word}: ${verb.word} 14`,
      at: number?.at ?? text.length,
    };
  if (!named.correctable)
    return { expected: "a line that has not been corrected already: name the later one", at: number.at };
  if (verb.word === "strike") {
    if (words[2]) return { expected: "nothing more: strike takes one number", at: words[2].at };
    return {
      entry: { kind: named.kind, corrects: named.id },
      more: [],
      reading: `Strike out line ${named.seq}.`,
    };
  }
  const start = number.at + number.text.length;
  const right = readLine(text.slice(start), { ...context, book: undefined });
  if ("expected" in right) return { expected: right.expected, at: right.at + start };
  if (right.more.length > 0) return { expected: "one thing: a correction replaces one line", at: start };
  return {
    entry: { ...right.entry, corrects: named.id },
    more: [],
    reading: `Line ${named.seq} becomes: ${right.reading}`,
  };
}

/**
 * Reads one line of the entry language: field words in any order, units anywhere.
 * `out 3 m6x20 airbox bag 2`, `in bag 2`, `drain 5.2`, `add 4 l 50%`, `unplug fan left`, `ect 98 fan low on`,
 * `tool out magnet`, `level line cold`, `test fuse 12 pass`, `note …`, `correct 14 …`, `strike 14`.
 * Bare figures take the unit the shop's system shows. What it can't place is named with its position, never guessed;
 * it throws nothing.
 */
export function readLine(text: string, context: LineContext): LineReading | Expectation {
  const words = tokens(text);
  if (words[0] && ["correct", "strike"].includes(words[0].word)) return readCorrection(words, text, context);
  const draft = readDraft(words, text, context);
  if ("expected" in draft) return draft;
  const [entry, ...more] = Array.isArray(draft) ? draft : [draft];
  if (!entry) return { expected: "something to book", at: text.length };
  const reading = [entry, ...more].map((each) => describeEntry(each, context.system)).join(" ");
  return { entry, more, reading };
}
