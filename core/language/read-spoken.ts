import { answeredTest, proved, putBack, tookOff } from "../book/acts/index.ts";
import { proofWords } from "../state/index.ts";
import type { LineContext, LineDraft } from "./line.ts";
import { bookWords } from "./spoken-forms.ts";
import { foundIn } from "./spoken-found.ts";
import { measuredIn } from "./spoken-measured.ts";
import { JOIN, type Word } from "./words.ts";

const ARTICLES = new Set(["the", "a", "an", "my"]);

/** A line as it is matched: plain words, no articles, "and" and a comma told apart. Nothing where a word was quoted. */
function saidIn(words: readonly Word[], withArticles: boolean): string | undefined {
  if (words.some(({ quoted }) => quoted)) return undefined;
  return words
    .filter(({ word }) => withArticles || !ARTICLES.has(word))
    .map(({ word, text }) => (word === JOIN ? (text === "," ? "," : "and") : word === "a/c" ? "ac" : word))
    .join(" ")
    .replace(/ ,/g, ",")
    .replace(ROUGHLY, "")
    .replace(/(\d) ?(l|litres?|liters?|quarts?|qts?) or so\b/, "$1 $2");
}

/** Nobody drains to the millilitre: what says so says nothing of how much. */
const ROUGHLY = /\b(?:nearly|almost|just over|just under|around|about|roughly) (?=\d)/g;

/** Small things that are thrown away as they come out: the old one is never booked on its own. */
const SMALL =
  "(?<item>(?:fan |radiator |coolant |temperature |thermal |drive )?(?:fuse|relay|cap|thermostat|sensor|switch|belt|o-ring|seal|gasket|bulb)(?: \\d{1,2})?)";
const NEW = [
  `new ${SMALL} (?:is )?(?:in|on|fitted)`,
  `(?:fitted|put in|put on|popped in|installed) new ${SMALL}`,
  `(?:put|popped) new ${SMALL} (?:in|on)`,
  `(?:replaced|swapped(?: out)?) (?!(?:fan )?relay)${SMALL}`,
  "replaced (?<item>(?:fan )?relay)",
  `${SMALL} (?:is |was )?replaced`,
].map((pattern) => new RegExp(`^${pattern}$`));

/** One out and a new one in, in one breath; not where the old one is out already, which is a line of its own kind. */
function renewed(said: string, { open }: LineContext): LineDraft[] | undefined {
  const item = NEW.map((pattern) => pattern.exec(said)?.groups?.item).find(Boolean);
  if (!item) return undefined;
  const isOut = open.some((line) => line.account === "part" && `${line.place} ${line.item}`.includes(item));
  const thing = { account: "part", item } as const;
  return isOut ? undefined : [tookOff(thing), { ...putBack(thing), text: "new" }];
}

/** What a muttered line says: entries of its own, or the lines in the words of the book that say the same. */
export type Spoken = { drafts: LineDraft[] } | { lines: string[] } | { choices: LineDraft[][] };

const NO_LEAKS = /^(?:no leaks?|no drips?|all dry)(?: now)?$/;

/** Dry, but when: a leak that only shows hot is not disproved cold. */
const whichDry = (isFilled: boolean): LineDraft[][] => [
  ...(isFilled ? [] : [[answeredTest({ test: "look", outcome: "dry" })]]),
  ...(["leaks-cold", "leaks-hot"] as const).map((proof) => [
    proved({ proof, words: proofWords(proof) }, "pass"),
  ]),
];

/**
 * A line as it is muttered at a car and typed by a tablet's own dictation: "fan fuse blown", "new fuse in", "battery 12.6",
 * "refractometer minus 32", "1.2 bar for 15 minutes", "10mm socket back". Only whole sayings are known; with one word more
 * it is no such line. Nothing where it is none.
 */
export function readSpoken(words: readonly Word[], context: LineContext): Spoken | undefined {
  const said = saidIn(words, false);
  if (!said) return undefined;
  const isFilled = context.stage === "fill" || context.stage === "prove" || context.stage === "sign";
  if (NO_LEAKS.test(said)) return { choices: whichDry(isFilled) };
  const drafts = renewed(said, context) ?? measuredIn(said, context);
  if (drafts) return { drafts };
  const found = foundIn(said, isFilled);
  if (found) return { drafts: [found] };
  const lines = bookWords(saidIn(words, true) ?? said) ?? bookWords(said);
  return lines && { lines };
}
