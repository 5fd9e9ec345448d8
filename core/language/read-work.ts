import {
  acceptedPart,
  cameIn,
  chosePart,
  refusedPart,
  sawApart,
  stepBackDrafts,
  stepDoneDrafts,
  tookOrder,
} from "../book/acts/index.ts";
import { type Entry, type EntryDraft, standing } from "../book/entry/index.ts";
import { factsOf, Got, lastFact, OrderOfWork, SEEN_AS, ToGet } from "../book/facts/index.ts";
import { stepsOff, stepsState, thing, toGetDraft } from "../book/out/index.ts";
import { wantedParts } from "../book/parts/index.ts";
import { inShownTemperatures, type System } from "../kernel/units/index.ts";
import { isShut } from "../trade/bleed/index.ts";
import { FEATURES, GOALS, inOrder, stepsFor, timeOf } from "../trade/order/index.ts";
import { GRADES, type Grade } from "../trade/sourcing/index.ts";
import type { Expectation, LineContext, Read } from "./line.ts";
import { inFigures, isManySaid, isVague } from "./said-count.ts";

/** What a line says after its first words: the text itself, and where in the line it begins. */
interface Rest {
  text: string;
  at: number;
  entries: readonly Entry[];
  cap: LineContext["cap"];
  system: System;
}
type Reader = (rest: Rest) => EntryDraft[] | Expectation;

const MOST_NAME = 60;
const MOST_COUNT = 999;
const MOST_WORDS = 300;

const NO_LETTERS = /[^\p{L}\d]+/u;
const tidy = (text: string) => text.replace(/^[\s,:;-]+|[\s,:;.-]+$/g, "").replace(/\s+/g, " ");
const same = (a: string, b: string) => tidy(a).toLowerCase() === tidy(b).toLowerCase();
const expected = (words: string, { at }: Rest): Expectation => ({ expected: words, at });
const list = (names: readonly string[]) => names.join(", ");

/** The one of several that the text names whole, by its beginning, or by words that no other has; all that it may mean else. */
function namedIn<Each>(text: string, all: readonly Each[], nameOf: (each: Each) => string): Each[] {
  const wanted = tidy(text).toLowerCase();
  if (wanted === "") return all.length === 1 ? [...all] : [];
  const whole = all.filter((each) => same(nameOf(each), wanted));
  const words = wanted.split(NO_LETTERS).filter(Boolean);
  const by = all.filter((each) => {
    const own = nameOf(each).toLowerCase().split(NO_LETTERS);
    return words.every((word) => own.includes(word));
  });
  const begins = by.filter((each) => nameOf(each).toLowerCase().startsWith(wanted));
  if (whole.length > 0) return whole.slice(-1);
  return begins.length === 1 ? begins : by;
}

const GRADE_WORDS: [RegExp, Grade][] = [
  [/\bmaker(?:['’]?s)?(?: own)?\b/i, "maker's"],
  [/\bpattern(?: part)?\b/i, "pattern"],
  [/\ball[- ]metal\b/i, "all-metal"],
  [/\bused\b/i, "used"],
];

/** What turns a line round: "not sound" is anything but sound. */
const DENIES = /\b(?:not|no|never|neither|nor|hardly|barely|without|instead)\b|n['’]t\b/i;
/** A price behind a supplier is no part of its name. */
const PRICED = /(?:^|\s)(?:[€$£]\s*)?\d+(?:[.,]\d+)?\s*(?:[€$£]|eur|euro|usd|gbp)?$/i;

const choose: Reader = (rest) => {
  const found = GRADE_WORDS.flatMap(([pattern, grade]) => {
    const match = pattern.exec(rest.text);
    return match ? [{ grade, from: match.index, to: match.index + match[0].length }] : [];
  });
  const [only, ...others] = found;
  if (!only || others.length > 0 || DENIES.test(rest.text))
    return expected(`one grade, and what it is: ${list(GRADES)}`, rest);
  const item = tidy(rest.text.slice(0, only.from)).toLowerCase();
  const supplier = tidy(rest.text.slice(only.to).replace(/^[\s,]*from\b/i, ""));
  if (!item || item.length > MOST_NAME) return expected("the part before its grade", rest);
  if (!supplier || supplier.length > 80)
    return expected("the supplier behind the grade", { ...rest, at: rest.at + only.to });
  if (PRICED.test(supplier))
    return expected("the supplier alone; a price is written on Plan", { ...rest, at: rest.at + only.to });
  return [chosePart({ item, grade: only.grade, supplier })];
};

/** The chosen part that a line names, of those that nobody has accepted. */
function partNamed(rest: Rest, name: string) {
  const open = wantedParts(rest.entries).filter(({ checked }) => !checked);
  const wordsOf = ({ words }: (typeof open)[number]) => words;
  const [only, ...others] = namedIn(name, open, wordsOf);
  if (only && others.length === 0) return only;
  return expected(
    open.length > 0
      ? `one part that is chosen and not accepted: ${list(open.map(wordsOf))}`
      : "a part to be chosen first",
    rest,
  );
}

const AFTER_ALL = /\bafter all\b/i;

const accept: Reader = (rest) => {
  const isAfterAll = AFTER_ALL.test(rest.text);
  const part = partNamed(rest, rest.text.replace(AFTER_ALL, ""));
  if ("expected" in part) return part;
  if (part.refused && !isAfterAll)
    return expected(`“after all” behind it: it was refused (${part.refused.because})`, rest);
  return [acceptedPart(part, [], { afterAll: isAfterAll })];
};

const refuse: Reader = (rest) => {
  const [name = "", ...why] = rest.text.split(/:|\bbecause\b/i);
  const because = tidy(why.join(":"));
  if (because.length < 3 || because.length > MOST_WORDS)
    return expected("what is wrong with it, behind a colon", { ...rest, at: rest.at + name.length });
  const part = partNamed(rest, name);
  if ("expected" in part) return part;
  return [refusedPart(part, because)];
};

const orderOfWork: Reader = (rest) => {
  const said = rest.text.toLowerCase();
  const goal = GOALS.find((each) => said.trim().startsWith(each));
  if (!goal) return expected(`what comes out: ${list(GOALS)}`, rest);
  const after = rest.text.slice(rest.text.toLowerCase().indexOf(goal) + goal.length);
  const pieces = after
    .split(/,|\bwith\b|\band\b/i)
    .map(tidy)
    .filter(Boolean);
  const features = new Set<(typeof FEATURES)[number]>();
  for (const piece of pieces) {
    const [only, ...others] = namedIn(piece, FEATURES, (each) => each);
    if (!only || others.length > 0) return expected(`something that this car has: ${list(FEATURES)}`, rest);
    features.add(only);
  }
  const has = FEATURES.filter((each) => features.has(each));
  const steps = stepsFor(goal, has);
  const { workMinutes } = timeOf(steps);
  return [tookOrder(goal, has, steps, `${workMinutes} min of work`)];
};

const step: Reader = (rest) => {
  const back = /\b(?:is )?(?:back|undone)[\s.]*$/i.exec(rest.text);
  const name = rest.text.slice(0, back?.index).replace(/\b(?:is )?done[\s.]*$/i, "");
  if (back) {
    const off = stepsOff(rest.entries);
    const [only, ...others] = namedIn(name, off, (each) => `${each.step} ${each.back.name}`);
    if (!only || others.length > 0)
      return expected(
        off.length > 0
          ? `one step that is off: ${list(off.map((each) => each.back.name))}`
          : "a step that is off",
        rest,
      );
    return stepBackDrafts(only, [], rest.entries);
  }
  const said = lastFact(rest.entries, OrderOfWork)?.fact;
  if (!said) return expected("an order of work first", rest);
  const done = new Set(stepsState(rest.entries).flatMap(({ step, isDone }) => (isDone ? [step] : [])));
  const open = inOrder(stepsFor(said.goal, said.features), said.order).filter(({ id }) => !done.has(id));
  const [only, ...others] = namedIn(name, open, (each) => `${each.id} ${each.name}`);
  if (!only || others.length > 0)
    return expected(
      open.length > 0
        ? `one step that isn't done: ${list(open.map((each) => each.name))}`
        : "nothing: all steps are done",
      rest,
    );
  const cap = only.isCold ? rest.cap?.() : undefined;
  if (only.isCold && isShut(cap))
    return expected(
      `evidence that the engine is cold, such as “upper hose soft and cool”${cap ? `; ${inShownTemperatures(cap.because, rest.system).replace(/\.$/, "")}` : ""}`,
      rest,
    );
  return stepDoneDrafts(only, rest.entries);
};

const COUNT = /^(\d{1,4})\s*(?:[x×]\s*|\s)/i;
const COUNT_BEHIND = /\s(?:[x×]\s*(\d{1,4})|(\d{1,4})\s*(?:[x×]|off|of them|pcs|pieces))$/i;
/** A figure before one of these is a size, and says nothing of how many. */
const SIZED = /^\d+(?:[.,]\d+)?\s*(?:mm|cm|m|in|inch|l|litres?|liters?|ml|a|amps?|v|volts?|w|kg|g)\b/i;
/** "2 v belts", "5 a fuse": two belts, or two volts? */
const EITHER = /^\d+\s+(?:[avlmgw]|in)\s/i;
/** Where it lay. */
const BAG_BEHIND = /\s(?:from |of |in )?bag (\d{1,3})$/;
const BARE_FIGURE = /(?:^|\s)\d+(?=\s|$)/;
/** "Get in", "broke down", "got it": sentences, and no name of a thing. */
const NO_THING =
  /^(?:(?:in|out|off|on|up|to|back|down|it|them|this|that|hot|warm|cold|ready|rid|going|round|by|the|no|not|none|nothing|anything|something|everything)\b|(?:one|both|a?\s?pair|couple|another)$)/i;

/** Nobody gets a quart: what goes by volume is coolant. */
const BY_VOLUME =
  /^(?:\d+(?:[.,]\d+)?\s*)?(?:l|litres?|liters?|qts?|quarts?|gals?|gallons?|pints?|ml|coolant|water|antifreeze)\b/;

const wanted =
  (because: ToGet["because"], word: string): Reader =>
  (rest) => {
    const said = tidy(rest.text);
    if (isVague(said)) return expected("how many, then what it is", rest);
    const text = inFigures(said);
    if (EITHER.test(text)) return expected("how many and what it is, a size in one word: 5A fuse", rest);
    const before = SIZED.test(text) ? null : COUNT.exec(text);
    const after = COUNT_BEHIND.exec(text);
    if (before && after) return expected("how many once, then what it is", rest);
    const count = Number(before?.[1] ?? after?.[1] ?? after?.[2] ?? 1);
    const named = tidy(text.slice(before?.[0].length ?? 0, after?.index))
      .toLowerCase()
      .replace(/ off$/, "");
    const bag = BAG_BEHIND.exec(named);
    const item = tidy(named.slice(0, bag?.index));
    if (!before && !after && isManySaid(item)) return expected("how many, then what it is", rest);
    if (count < 1 || count > MOST_COUNT) return expected(`how many, from 1 to ${MOST_COUNT}`, rest);
    if (BY_VOLUME.test(item)) return expected("what became of it: spill 0.5 L, drain 0.5 L", rest);
    if (!item || item.length > MOST_NAME || NO_THING.test(item))
      return expected("how many and what it is", rest);
    if (BARE_FIGURE.test(item.replace(new RegExp(SIZED.source.slice(1), "gi"), "")))
      return expected("how many once, then what it is", rest);
    return [
      toGetDraft(rest.entries, {
        item,
        ...(bag ? { place: `bag ${bag[1]}` } : {}),
        count,
        because,
        word,
      }),
    ];
  };

const got: Reader = (rest) => {
  const here = new Set(factsOf(rest.entries, Got).map(({ fact }) => fact.line));
  const open = factsOf(rest.entries, ToGet).filter(({ entry }) => !here.has(entry.id));
  const wordsOf = ({ entry }: (typeof open)[number]) => thing(entry);
  const [only, ...others] = namedIn(rest.text, open, wordsOf);
  if (!only || others.length > 0)
    return expected(
      open.length > 0 ? `one thing that is to get: ${list(open.map(wordsOf))}` : "something that is to get",
      rest,
    );
  return [cameIn(wordsOf(only), only.entry.id)];
};

const seen: Reader = (rest) => {
  const found = SEEN_AS.flatMap((as) => {
    const match = new RegExp(`\\b${as}\\b`, "i").exec(rest.text);
    return match ? [{ as, from: match.index, to: match.index + as.length }] : [];
  });
  const [only, ...others] = found;
  if (!only || others.length > 0 || DENIES.test(rest.text.slice(0, only.to)))
    return expected(`one of, and not its opposite: ${list(SEEN_AS)}`, rest);
  const what = tidy(rest.text.slice(0, only.from)).toLowerCase();
  const why = tidy(rest.text.slice(only.to));
  // "Makes a sound" is no verdict.
  if (!what || what.length > MOST_NAME || /\b(?:a|an|the|makes?|was|were|be)$/.test(what))
    return expected("what was looked at, before that", rest);
  return [sawApart(what, only.as, why)];
};

/** First words that say what kind of line it is; nothing else begins with them. */
const OPENERS: [RegExp, Reader][] = [
  [/^choose\b/i, choose],
  [/^accept\b/i, accept],
  [/^refuse\b/i, refuse],
  [/^order of work\b/i, orderOfWork],
  [/^step\b/i, step],
  [/^(?:broke|broken)\b/i, wanted("broke", "broke")],
  [/^(?:sheared|snapped|stripped)(?: off)?\b/i, wanted("broke", "broke")],
  [/^lost\b/i, wanted("missing", "lost")],
  [/^get\b/i, wanted("missing", "missing")],
  [/^got\b/i, got],
  [/^seen\b/i, seen],
];

/** Lines of Plan and of the order of work: parts chosen and accepted, steps done and undone, what broke or is to get. */
export function readWork(text: string, context: LineContext): Read {
  const line = text.trimStart();
  for (const [opener, read] of OPENERS) {
    const match = opener.exec(line);
    if (!match) continue;
    const at = text.length - line.length + match[0].length;
    return read({
      text: line.slice(match[0].length),
      at,
      entries: context.entries ?? [],
      cap: context.cap,
      system: context.system,
    });
  }
  return undefined;
}

/** Whole lines of that kind that can be booked now: what is to be accepted, and the steps that come next. */
export function workLines({ entries = [] }: LineContext): string[] {
  if (standing(entries).length === 0) return [];
  const parts = wantedParts(entries).filter(({ checked }) => !checked);
  const said = lastFact(entries, OrderOfWork)?.fact;
  const done = new Set(stepsState(entries).map(({ step }) => step));
  const next = said
    ? inOrder(stepsFor(said.goal, said.features), said.order).find(({ id }) => !done.has(id))
    : undefined;
  return [
    ...parts.map(({ words, refused }) => `accept ${words.toLowerCase()}${refused ? " after all" : ""}`),
    ...(next ? [`step ${next.name.toLowerCase()} done`] : []),
    ...[...stepsOff(entries)].reverse().map(({ back }) => `step ${back.name.toLowerCase()} back`),
  ];
}
