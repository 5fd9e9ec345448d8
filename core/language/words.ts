import { typedFigure } from "../kernel/csv/index.ts";
import { type Dimension, parseQuantity, SHOWN, type System } from "../kernel/units/index.ts";

/** One word of a line, lower case, with where it stands. */
export interface Word {
  word: string;
  /** As typed. */
  text: string;
  /** Where it starts and ends in the line, from 0. */
  at: number;
  end: number;
  quoted: boolean;
}

/** What phones and other keyboards type for the plain sign; each as long as what it stands for. */
const SIGNS: [RegExp, string][] = [
  [/[“”„‟«»″]/g, '"'],
  [/[‘’‚‛′]/g, "'"],
  [/[−–—]/g, "-"],
  [/[×✕*]/g, "x"],
  [/[\u00a0\u202f\u2009\t]/g, " "],
  [/[µμ]/g, "u"],
];

const PIECE = /"([^"]*)"?|(?<![^\s])'([^']+)'(?![^\s,;])|[^\s"]+/g;
const JOINERS = new Set(["and", "&", "+", "plus"]);
const LETTERS_ONLY = /^[a-z]+(?:[-/][a-z]+)+$/;
/** One word with a hyphen in it, not two. */
const KEPT_WHOLE = new Set(["o-ring", "o-rings", "t-stat", "x-ray", "a/c"]);

export const JOIN = "and";

/** Cuts a hyphened or slashed word into its parts: "left/right" is left and right. */
function* parts(word: Word): Generator<Word> {
  if (!LETTERS_ONLY.test(word.word) || KEPT_WHOLE.has(word.word)) {
    yield word;
    return;
  }
  let at = word.at;
  for (const part of word.word.split(/([-/])/)) {
    const end = at + part.length;
    if (part === "/") yield { word: JOIN, text: part, at, end, quoted: false };
    else if (part !== "-") yield { word: part, text: part, at, end, quoted: false };
    at = end;
  }
}

/** A mark of inches is no quote: it stands behind a figure, and outside any quote. */
function withoutInches(line: string): string {
  let isQuoted = false;
  let plain = "";
  for (let index = 0; index < line.length; index++) {
    const sign = line[index] as string;
    const isInch = sign === '"' && !isQuoted && /\d/.test(line[index - 1] ?? "");
    if (sign === '"' && !isInch) isQuoted = !isQuoted;
    plain += isInch ? " " : sign;
  }
  return plain;
}

/** Sides as they are said on a counter; each as long a stretch as it stands in the line. */
const SIDE_WORDS: Readonly<Record<string, string>> = {
  lh: "left",
  "l/h": "left",
  rh: "right",
  "r/h": "right",
  ns: "nearside",
  "n/s": "nearside",
  os: "offside",
  "o/s": "offside",
};
const WITH_SIDE = new Set([
  "driver",
  "driver's",
  "drivers",
  "passenger",
  "left",
  "right",
  "nearside",
  "offside",
]);

/** "Driver side fan" is the driver's fan: what only says that a side is meant is no word of its own. */
const withoutSide = (words: readonly Word[]): Word[] =>
  words.filter(
    ({ word, quoted }, index) =>
      quoted || !(word === "side" || word === "hand") || !WITH_SIDE.has(words[index - 1]?.word ?? ""),
  );

/** The words of a line: quotes kept together, commas and “&” as “and”, full stops at an end left out. */
export function wordsOf(line: string): Word[] {
  let plain = line;
  for (const [sign, stands] of SIGNS) plain = plain.replace(sign, stands);
  plain = withoutInches(plain);
  const words: Word[] = [];
  for (const match of plain.matchAll(PIECE)) {
    const at = match.index;
    const quote = match[1] ?? match[2];
    if (quote !== undefined) {
      const word = quote.trim().toLowerCase();
      if (word) words.push({ word, text: match[0], at, end: at + match[0].length, quoted: true });
      continue;
    }
    const text = match[0].replace(/[.;:!]+$/, "").replace(/^[(]|[)]$/g, "");
    const bare = text
      .replace(/,+$/, "")
      .replace(/(?<=[a-z\d])'s$/i, "")
      .toLowerCase();
    if (bare) {
      const whole = {
        word: JOINERS.has(bare) ? JOIN : Object.hasOwn(SIDE_WORDS, bare) ? (SIDE_WORDS[bare] ?? bare) : bare,
        text: bare,
        at,
        end: at + bare.length,
        quoted: false,
      };
      words.push(...parts(whole));
    }
    if (text.endsWith(","))
      words.push({ word: JOIN, text: ",", at: at + bare.length, end: at + text.length, quoted: false });
  }
  return withoutSide(words);
}

/** A figure as typed: point or comma, with or without a nought before it. */
const BARE = /^[+-]?(?:\d+(?:[.,]\d+)?|[.,]\d+)$/;
const THOUSANDS = /^\d{1,3}(?:[,.'’]\d{3})+$/;

export const isBare = (word: string): boolean => BARE.test(word);
export const bareFigure = (word: string): number => typedFigure(word) ?? Number.NaN;

/** A quantity with its unit, or nothing where it is none. */
export function quantityOf(text: string): { value: number; dimension: Dimension } | undefined {
  try {
    return parseQuantity(text);
  } catch {
    return undefined;
  }
}

export interface FigureRead {
  value: number;
  /** The dimension that its unit says; nothing where it has none. */
  dimension?: Dimension;
  /** How many words it takes. */
  used: number;
  /** The same where its one mark parts thousands: "2,500" is two and a half, or two and a half thousand. */
  thousands?: number;
}

/** A figure with or without its unit at a place in a line: `4`, `4 l`, `.5`, `98c`, `2.5k`. */
export function figureAt(words: readonly Word[], index: number): FigureRead | undefined {
  const word = words[index]?.word ?? "";
  const [, figure = "", unit = ""] = /^([+-]?\d{1,3}[.,]\d{3})([^\d]*)$/.exec(word) ?? [];
  const plain = plainFigureAt(words, index);
  if (!plain || figure === "") return plain;
  const first = { ...(words[index] as Word), word: `${figure.replace(/[.,]/, "")}${unit}` };
  const asThousands = plainFigureAt([first, ...words.slice(index + 1)], 0);
  return asThousands ? { ...plain, thousands: asThousands.value } : plain;
}

function plainFigureAt(words: readonly Word[], index: number): FigureRead | undefined {
  const first = words[index];
  if (!first || first.quoted) return undefined;
  const text = first.word.replace(/^([+-]?)([.,]\d)/, "$10$2");
  const next = words[index + 1];
  if (isBare(text)) {
    const joined =
      next && !next.quoted && next.word !== "in" ? quantityOf(`${text} ${next.word}`) : undefined;
    if (joined) return { ...joined, used: 2 };
    return { value: bareFigure(text), used: 1 };
  }
  const thousand = /^([+-]?\d+(?:[.,]\d+)?)k$/.exec(text)?.[1];
  if (thousand) return { value: bareFigure(thousand) * 1000, used: 1 };
  const whole = /^[+-]?\d/.test(text) ? quantityOf(text) : undefined;
  return whole && { ...whole, used: 1 };
}

/**
 * A distance at a place in a line: thousands parted by comma, point, apostrophe or a blank, `114k`, with its unit or in
 * the shop's. Nobody reads an odometer to the metre, so three figures behind a mark are thousands.
 */
export function distanceAt(words: readonly Word[], index: number): FigureRead | undefined {
  const first = words[index];
  if (!first || first.quoted) return undefined;
  const [, figures = "", glued = ""] = /^([\d.,']+)([a-z]*)$/.exec(first.word) ?? [];
  let used = 1;
  let digits = figures;
  let unit = glued;
  // "184 220 km" and "184 220km": a group of three goes on with the figure, and the unit may stick to the last.
  while (unit === "" && /^\d{1,3}$/.test(figures)) {
    const [, group, behind = ""] = /^(\d{3})([a-z]*)$/.exec(words[index + used]?.word ?? "") ?? [];
    if (group === undefined) break;
    digits += group;
    unit = behind;
    used++;
  }
  if (THOUSANDS.test(digits)) digits = digits.replace(/[,.']/g, "");
  if (!isBare(digits)) return undefined;
  const times = unit === "k" ? 1000 : 1;
  const named = unit === "" || unit === "k" ? words[index + used]?.word : unit;
  const withUnit =
    named && /^[a-z]+$/.test(named) && !words[index + used]?.quoted ? quantityOf(`1 ${named}`) : undefined;
  const isNamed = withUnit?.dimension === "distance";
  if (unit !== "" && unit !== "k" && !isNamed) return undefined;
  if (isNamed && (unit === "" || unit === "k")) used++;
  const figure = bareFigure(digits) * times;
  return isNamed ? { value: figure * withUnit.value, dimension: "distance", used } : { value: figure, used };
}

/** Only these are ever read to a thousandth; of the others three figures behind a mark are thousands or a slip. */
const NEVER_BROKEN: Dimension[] = ["revs", "distance"];

/**
 * A figure in core units within its range. One that could be thousands or thousandths is whichever the range allows;
 * where both are possible it is neither: `doubt`.
 */
export function settledFigure(
  figure: FigureRead,
  dimension: Dimension,
  system: System,
  [least, most]: readonly [number, number],
): { value?: number; doubt?: true } {
  const value = inCore(figure, dimension, system);
  if (value === undefined || figure.thousands === undefined) return { value };
  const large = inCore({ ...figure, value: figure.thousands }, dimension, system);
  const fits = (each: number | undefined) => each !== undefined && each >= least && each <= most;
  if (NEVER_BROKEN.includes(dimension) || !fits(value)) return { value: large };
  return fits(large) ? { doubt: true } : { value };
}

/** A figure in core units: by its own unit, or in the unit the shop's system shows; nothing where its unit is another's. */
export function inCore(figure: FigureRead, dimension: Dimension, system: System): number | undefined {
  if (figure.dimension) return figure.dimension === dimension ? figure.value : undefined;
  return quantityOf(`${figure.value} ${SHOWN[dimension][system].key}`)?.value;
}
