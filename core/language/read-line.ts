import { describeEntry } from "../book/describe/index.ts";
import type { EntryDraft } from "../book/entry/index.ts";
import { CoolantRead, factOf, lastFact, MeasuredUnit } from "../book/facts/index.ts";
import { mayBeOtherDegrees, toShown } from "../kernel/units/index.ts";
import { type SeatSide, sideFromSeat } from "../trade/fit/index.ts";
import { askedBack } from "./asked-back.ts";
import {
  type Expectation,
  isExpectation,
  type LineContext,
  type LineDraft,
  type LineReading,
  type Read,
} from "./line.ts";
import { isMoveAt, movesOf } from "./moves.ts";
import { bypassDraft, bypassOf, hungUp, readCaps, saidToHang } from "./read-apart.ts";
import { readBack } from "./read-back.ts";
import { isCoolantVerbAt, readCoolant } from "./read-coolant.ts";
import { readCorrection, readLateCorrection } from "./read-correction.ts";
import { readHose } from "./read-hose.ts";
import { readLevel } from "./read-level.ts";
import { readOut } from "./read-out.ts";
import { readReading } from "./read-reading.ts";
import { readSpoken, type Spoken } from "./read-spoken.ts";
import { readTest } from "./read-test.ts";
import { readWork } from "./read-work.ts";
import { withFigures } from "./spoken-figures.ts";
import { type Word, wordsOf } from "./words.ts";

const OPENERS =
  "out, in, unplug, drain, spill, kept, missing, add, tool, ect, level, test, step, broke, seen, note, correct or strike";
const MOST_LETTERS = 400;

function readNote(words: readonly Word[], text: string): Read {
  const first = words[0];
  if (first?.word !== "note" || first.quoted) return undefined;
  const note = text
    .slice(first.end)
    .replace(/^[\s:]+/, "")
    .trim();
  return note ? [{ kind: "note", text: note }] : { expected: "what you saw", at: text.length };
}

/** "To pour 2 l" is work that waits, and nothing for the book. */
function readToDo(words: readonly Word[]): Read {
  const isVerbAt = (index: number) => isMoveAt(words, index) || isCoolantVerbAt(words, index);
  const to = words.find(({ word, quoted }, index) => word === "to" && !quoted && isVerbAt(index + 1));
  return to && { expected: "what has been done; what is still to do goes into a note", at: to.at };
}

const isWordy = (words: readonly Word[]) => words.some(({ quoted }) => !quoted);

/** Every way of reading that a line lends itself to; a note or a test is nothing else, whatever words it holds. */
function readings(words: readonly Word[], text: string, context: LineContext): Exclude<Read, undefined>[] {
  const told =
    readNote(words, text) ??
    readWork(text, context) ??
    readCaps(words, text, context) ??
    readTest(words, text) ??
    readToDo(words) ??
    readHose(words);
  if (told) return [told];
  const moved = movesOf(words).flatMap((way) =>
    way.move === "in" || way.move === "plug-in"
      ? [readBack(way, words, context)]
      : [true, false].map((isCommaPlace) => readOut(way, words, context, isCommaPlace)),
  );
  return [readLevel(words), readCoolant(words, context), readReading(words, context), ...moved].filter(
    (read) => read !== undefined,
  );
}

const MS_PER_MINUTE = 60_000;

/** What stood some minutes ago says so: two readings of one gauge are told apart by nothing else. */
function agoOf({ at }: LineDraft, { now }: LineContext): string {
  const minutes = at && now ? Math.round((Date.parse(now) - Date.parse(at)) / MS_PER_MINUTE) : 0;
  return minutes > 0 ? `${minutes} min ago: ` : "";
}

const sayBack = (drafts: readonly LineDraft[], context: LineContext) =>
  drafts.map((draft) => `${agoOf(draft, context)}${describeEntry(draft, context.system)}`).join(" ");

function asReading([entry, ...more]: LineDraft[], context: LineContext): LineReading | undefined {
  return entry && { entry, more, reading: sayBack([entry, ...more], context) };
}

/** A figure of the coolant that makes sense in both degrees is asked about: a cap may be opened on it. */
function inTheOtherDegrees(words: readonly Word[], context: LineContext): EntryDraft[][] {
  const { system } = context;
  const read = readReading(words, { ...context, system: system === "us" ? "metric" : "us" });
  const here = readReading(words, context);
  if (!read || !here || isExpectation(read) || isExpectation(here)) return [];
  const [first] = read;
  const there = first?.value ?? 0;
  const isHeat = first && factOf(first)?.fact instanceof CoolantRead;
  const celsius = here[0]?.value ?? 0;
  const typed = Math.round(toShown(celsius, "temperature", system) * 1000) / 1000;
  return isHeat && there !== celsius && mayBeOtherDegrees(typed, system) ? [read] : [];
}

const RADIATOR_HOSE = /^(upper|lower) radiator$/;

const SEATS: Readonly<Record<string, SeatSide>> = {
  driver: "driver",
  "driver's": "driver",
  drivers: "driver",
  offside: "driver",
  passenger: "passenger",
  "passenger's": "passenger",
  nearside: "passenger",
};

/** Sides that are said from the driver's seat are left and right where the book says on which side the wheel is. */
function bySeat(words: Word[], { entries }: LineContext): Word[] {
  if (!words.some(({ word, quoted }) => !quoted && Object.hasOwn(SEATS, word))) return words;
  const steering = entries && lastFact(entries, MeasuredUnit)?.fact.steering;
  if (!steering) return words;
  return words.map((each) => {
    const seat = each.quoted || !Object.hasOwn(SEATS, each.word) ? undefined : SEATS[each.word];
    return seat ? { ...each, word: sideFromSeat(seat, steering) } : each;
  });
}

/** What is said in one word of two, and the radiator's own hoses, which are the upper and the lower one. */
function asMeant(drafts: LineDraft[], words: readonly Word[]): LineDraft[] {
  const isBoth = words.some(({ word, quoted }) => word === "both" && !quoted);
  return drafts.flatMap((draft) => {
    const side = draft.account === "hose" ? RADIATOR_HOSE.exec(draft.place ?? "")?.[1] : undefined;
    if (side) return [{ ...draft, place: side }];
    const isFans = isBoth && draft.account === "connector" && draft.place === "fan";
    if (!isFans || (draft.out !== 2 && draft.in !== 2)) return [draft];
    const one = draft.out === 2 ? { out: 1 } : { in: 1 };
    return ["left fan", "right fan"].map((place) => ({ ...draft, place, ...one }));
  });
}

/** "Unplug fans" is more than one, and says not which. */
function whichFans(drafts: readonly EntryDraft[], words: readonly Word[]): Expectation | undefined {
  const many = words.find(({ word, quoted }) => !quoted && (word === "fans" || word === "plugs"));
  const isOne = ({ account, place, out, in: back }: EntryDraft) =>
    account === "connector" && place === "fan" && (out === 1 || back === 1);
  return many && drafts.some(isOne)
    ? { expected: "which of them: both fans, left fan or right fan", at: many.at }
    : undefined;
}

/** "Condenser hung up" is a part that came off and hangs; a line that can't be read is told as it was typed. */
function readHung(text: string, context: LineContext): LineReading | Expectation | undefined {
  const plain = hungUp(text);
  if (plain === undefined) return undefined;
  const read = readPlain(plain, context);
  if ("expected" in read) return { expected: "which part hangs: condenser hung up", at: 0 };
  const drafts = [read.entry, ...read.more];
  if (drafts.some(({ account }) => account !== "part"))
    return { expected: "which part hangs: condenser hung up", at: 0 };
  return asReading(drafts.map(saidToHang), context);
}

/** "Bypass fan switch": a part by the names of the trade, so that no sentence is taken for one. */
function readBypass(text: string, context: LineContext): LineReading | Expectation | undefined {
  const said = bypassOf(text);
  if (!said) return undefined;
  const part = readPlain(`out ${said.item}`, context);
  const isPart = !("expected" in part) && part.more.length === 0 && part.entry.account === "part";
  if (!isPart) return { expected: "what is bypassed, such as fan switch or heater core", at: 0 };
  const { item = "", place } = part.entry;
  const name = [place, item].filter(Boolean).join(" ");
  const drafts = bypassDraft(context.entries ?? [], name, said.isOff);
  return "because" in drafts ? { expected: drafts.because, at: 0 } : asReading(drafts, context);
}

function readTyped(text: string, context: LineContext): LineReading | Expectation {
  const told = readHung(text, context) ?? readBypass(text, context);
  if (told) return told;
  const words = bySeat(wordsOf(text), context);
  const [first] = words;
  if (!first || !isWordy(words)) return { expected: `a first word: ${OPENERS}`, at: first?.at ?? 0 };
  const all = [...readings(words, text, context), ...inTheOtherDegrees(words, context)].map((read) =>
    isExpectation(read) ? read : (whichFans(read, words) ?? read),
  );
  const whole = new Map<string, LineReading>();
  for (const read of all) {
    const line = isExpectation(read) ? undefined : asReading(asMeant(read, words), context);
    if (line) whole.set(JSON.stringify([line.entry, line.more]), line);
  }
  const [only, ...others] = [...whole.values()];
  if (only && others.length === 0) return only;
  if (only)
    return {
      expected: `which of them is meant: ${[only, ...others].map(({ reading }) => reading.replace(/\.$/, "")).join(" or ")}`,
      at: first.at,
      choices: [only, ...others],
    };
  const [furthest] = all.filter(isExpectation).sort((a, b) => b.at - a.at);
  return furthest ?? { expected: `a word that says what happened: ${OPENERS}`, at: first.at };
}

/** Lines that say together what one says; nothing where one of them can't be read. */
function readTogether(lines: readonly string[], context: LineContext): LineReading | undefined {
  const drafts: LineDraft[] = [];
  for (const line of lines) {
    const read = readTyped(line, context);
    if ("expected" in read) return undefined;
    drafts.push(read.entry, ...read.more);
  }
  return asReading(drafts, context);
}

const asChoices = (choices: LineReading[]): Expectation => ({
  expected: `which of them is meant: ${choices.map(({ reading }) => reading.replace(/\.$/, "")).join(" or ")}`,
  at: 0,
  choices,
});

function asSpoken(spoken: Spoken, context: LineContext): LineReading | Expectation | undefined {
  if ("lines" in spoken) return readTogether(spoken.lines, context);
  if ("drafts" in spoken) return asReading(spoken.drafts, context);
  return asChoices(spoken.choices.flatMap((drafts) => asReading(drafts, context) ?? []));
}

/** A line in the words of the book; where it is none, as it is muttered, with its figures as they are spoken. */
function readPlain(text: string, context: LineContext): LineReading | Expectation {
  const typed = readTyped(text, context);
  if ("entry" in typed || typed.choices) return typed;
  const typedWords = wordsOf(text);
  const words = withFigures(typedWords);
  const spoken = readSpoken(words, context);
  const read = spoken && asSpoken(spoken, context);
  if (read) return read;
  const isChanged =
    words.length !== typedWords.length || words.some(({ word }, at) => word !== typedWords[at]?.word);
  if (!isChanged || words.some(({ quoted }) => quoted)) return typed;
  const inFigures = readTyped(words.map((word) => word.text).join(" "), context);
  return "entry" in inFigures ? inFigures : typed;
}

/**
 * Reads one line of the entry language: field words and plain speech in any order, units anywhere.
 * `out 3 m6x20 airbox bag 2`, `upper and lower hose off`, `in bag 2 and 3`, `drain 5.2`, `add 2 l water`,
 * `unplug fan left`, `ect 98 fan low on`, `fan off at 92`, `odo 114,500`, `tool out 10mm socket`, `level line cold`, `upper hose soft and cool`,
 * `test fuse 12 did not pass`, `choose radiator pattern Tansy & Rudge`, `accept radiator`, `step undertray done`,
 * `step undertray back`, `broke 2 clips`, `condenser hung up`, `cap oil lines`, `bypass fan switch`, `seen lower hose declined soft`, `note …`, `correct 14 …`, `strike line 14`, each with `because …` once the job is signed. Every way of reading is tried and the one that
 * uses every word counts; where two do, the line is asked about (`choices`); a word left over is named with its position,
 * never guessed. Bare figures take the unit the shop's system shows. Throws nothing.
 */
export function readLine(text: string, context: LineContext): LineReading | Expectation {
  if (text.length > MOST_LETTERS)
    return { expected: `a line of at most ${MOST_LETTERS} letters`, at: MOST_LETTERS };
  const correction = context.isSigned ? readLateCorrection : readCorrection;
  const read = correction(wordsOf(text), text, context, readPlain) ?? readPlain(text, context);
  return askedBack(read, context);
}
