import { changedCapacity, letOut, poured } from "../book/acts/index.ts";
import type { EntryDraft } from "../book/entry/index.ts";
import { format } from "../kernel/units/index.ts";
import { FILLERS } from "./lexicon.ts";
import type { Expectation, LineContext, Read } from "./line.ts";
import { figureAt, JOIN, settledFigure, type Word } from "./words.ts";

type Move = "drained" | "spilled" | "kept" | "missing" | "poured" | "capacity";

const VERBS: Readonly<Record<string, Move>> = {
  drain: "drained",
  drained: "drained",
  caught: "drained",
  "drain off": "drained",
  "drained off": "drained",
  "draw off": "drained",
  "drew off": "drained",
  "coolant out": "drained",
  "coolant drained": "drained",
  spill: "spilled",
  spilled: "spilled",
  spilt: "spilled",
  "coolant spilled": "spilled",
  kept: "kept",
  keep: "kept",
  missing: "missing",
  "was missing": "missing",
  short: "missing",
  add: "poured",
  added: "poured",
  pour: "poured",
  poured: "poured",
  "pour in": "poured",
  "poured in": "poured",
  fill: "poured",
  filled: "poured",
  refill: "poured",
  refilled: "poured",
  "fill up": "poured",
  "filled up": "poured",
  "put in": "poured",
  "top up": "poured",
  "topped up": "poured",
  "top off": "poured",
  "topped off": "poured",
  "coolant in": "poured",
  "coolant added": "poured",
  capacity: "capacity",
};
const LONGEST_VERB = 2;
/** No vehicle that this is for holds more. */
const MOST_LITRES = 200;
/** No new part changes what a system holds by more; a larger figure is the capacity itself, which the card has. */
const MOST_CHANGE_L = 5;
const WATER = new Set(["water", "distilled", "deionised", "deionized", "de-ionised", "demineralised"]);
const CONCENTRATE = new Set(["concentrate", "concentrated", "neat", "antifreeze"]);
const MIXED = new Set(["premix", "premixed", "ready", "mix", "mixed", "ready-mixed", "ready-mix", "mixture"]);
const PLAIN = new Set([
  "coolant",
  "about",
  "approx",
  "approximately",
  "roughly",
  "ca",
  "change",
  "more",
  "fluid",
  "system",
  "only",
  "clean",
  "old",
  "new",
  "fresh",
  "another",
  "put",
]);

interface Poured {
  litres?: number;
  fraction?: number;
  from: string[];
}

interface VerbRead {
  move: Move;
  at: number;
  used: number;
}

/** "4 l in" and "coolant 5.2 out" need no verb: what goes by the litre is coolant. */
function directionOf(words: readonly Word[]): VerbRead | undefined {
  const isCoolant = words.some(
    ({ word }, index) => word === "coolant" || figureAt(words, index)?.dimension === "volume",
  );
  const at = words.findIndex(({ word, quoted }) => !quoted && (word === "in" || word === "out"));
  if (!isCoolant || at < 0) return undefined;
  return { move: words[at]?.word === "in" ? "poured" : "drained", at, used: 1 };
}

function verbAt(words: readonly Word[], at: number): VerbRead | undefined {
  for (let used = LONGEST_VERB; used > 0; used--) {
    const stretch = words.slice(at, at + used);
    if (stretch.length < used || stretch.some(({ quoted }) => quoted)) continue;
    const phrase = stretch.map(({ word }) => word).join(" ");
    if (Object.hasOwn(VERBS, phrase)) return { move: VERBS[phrase] as Move, at, used };
  }
  return undefined;
}

/** Whether a word or phrase that says what coolant did starts at a place in a line. */
export const isCoolantVerbAt = (words: readonly Word[], index: number): boolean =>
  verbAt(words, index) !== undefined;

function verbOf(words: readonly Word[]): VerbRead | undefined {
  for (let at = 0; at < words.length; at++) {
    const verb = verbAt(words, at);
    if (verb) return verb;
  }
  return directionOf(words);
}

/** "50/50" is half and half; "60/40" is coolant first, as it is said. */
function ratioOf(word: string): number | undefined {
  const [, first, second] = /^(\d{1,2})[/:](\d{1,2})$/.exec(word) ?? [];
  return first && second && Number(first) + Number(second) === 100 ? Number(first) / 100 : undefined;
}

function strengthOf(word: string): number | undefined {
  if (WATER.has(word)) return 0;
  if (CONCENTRATE.has(word)) return 1;
  return ratioOf(word);
}

function readPart(words: readonly Word[], move: Move, context: LineContext): Poured | Expectation {
  const read: Poured = { from: [] };
  for (let index = 0; index < words.length; ) {
    const word = words[index] as Word;
    const figure = figureAt(words, index);
    const ratio = strengthOf(word.word);
    const { value: litres } =
      figure && ratio === undefined
        ? settledFigure(figure, "volume", context.system, [-MOST_LITRES, MOST_LITRES])
        : {};
    index += (ratio === undefined && figure?.used) || 1;
    const share = ratio ?? (figure?.dimension === "fraction" ? figure.value : undefined);
    if (share !== undefined) {
      if (share < 0 || share > 1) return { expected: "a strength from 0 % to 100 %", at: word.at };
      if (read.fraction !== undefined && read.fraction !== share)
        return { expected: "one strength for one pour", at: word.at };
      read.fraction = share;
    } else if (litres !== undefined && read.litres === undefined) {
      if (Math.abs(litres) > MOST_LITRES || (litres <= 0 && move !== "capacity"))
        return {
          expected: `a volume from 0 to ${format(MOST_LITRES, "volume", context.system)}`,
          at: word.at,
        };
      if (move === "capacity" && Math.abs(litres) > MOST_CHANGE_L)
        return { expected: "how much more or less it holds now: capacity +0.5", at: word.at };
      read.litres = litres;
    } else if (figure) return { expected: "one volume, and a strength in %", at: word.at };
    else if (word.quoted) read.from.push(word.word);
    else if (
      move === "kept" &&
      /^(?!(?:half|quarter|out)$)[a-z-]+$/.test(word.word) &&
      !FILLERS.has(word.word) &&
      word.word !== "in"
    )
      read.from.push(word.word);
    else if (move === "missing" && ["at", "arrival"].includes(word.word)) continue;
    else if (!FILLERS.has(word.word) && !PLAIN.has(word.word) && !MIXED.has(word.word) && word.word !== "in")
      return { expected: "a volume and, if known, a strength: 4 L 50 %", at: word.at };
  }
  return read;
}

function draftOf(move: Move, { litres = 0, fraction, from }: Poured): EntryDraft {
  if (move === "capacity") return changedCapacity(litres);
  const mix = fraction === undefined ? undefined : { fraction };
  const place = from.join(" ");
  return {
    ...(move === "poured" ? poured(litres, mix) : letOut(move, litres, mix)),
    ...(place ? { place } : {}),
  };
}

/** Coolant out of the car, into it, or a change of what it holds; two pours in one line are two lines of the book. */
export function readCoolant(words: readonly Word[], context: LineContext): Read {
  const verb = verbOf(words);
  if (!verb) return undefined;
  const rest = [...words.slice(0, verb.at), ...words.slice(verb.at + verb.used)];
  const stretches: Word[][] = [[]];
  for (const word of rest) {
    if (word.word === JOIN && !word.quoted) stretches.push([]);
    else stretches.at(-1)?.push(word);
  }
  const drafts: EntryDraft[] = [];
  for (const stretch of stretches) {
    if (stretch.length === 0 && stretches.length > 1) continue;
    const read = readPart(stretch, verb.move, context);
    if ("expected" in read) return read;
    if (read.litres === undefined || read.litres === 0)
      return { expected: "how much: 5.2 L", at: stretch.at(-1)?.end ?? words.at(-1)?.end ?? 0 };
    drafts.push(draftOf(verb.move, read));
  }
  return drafts;
}
