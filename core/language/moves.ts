import { CONTAINERS, MOVES, type Move } from "./lexicon.ts";
import { JOIN, type Word } from "./words.ts";

const LONGEST = 4;

export interface MoveRead {
  move: Move;
  /** The rest of the line, without the words that say what happened. */
  rest: Word[];
  at: number;
}

interface Hit {
  move: Move;
  index: number;
  used: number;
}

function hitAt(words: readonly Word[], index: number): Hit | undefined {
  for (let used = Math.min(LONGEST, words.length - index); used > 0; used--) {
    const stretch = words.slice(index, index + used);
    if (stretch.some(({ quoted }) => quoted)) continue;
    const phrase = stretch.map(({ word }) => word).join(" ");
    const move = Object.hasOwn(MOVES, phrase) ? MOVES[phrase] : undefined;
    if (move) return { move, index, used };
  }
  return undefined;
}

/** Whether a word or phrase that says what moved starts at a place in a line. */
export const isMoveAt = (words: readonly Word[], index: number): boolean => hitAt(words, index) !== undefined;

function hitsOf(words: readonly Word[]): Hit[] {
  const hits: Hit[] = [];
  for (let index = 0; index < words.length; ) {
    const hit = hitAt(words, index);
    if (hit) hits.push(hit);
    index += hit?.used ?? 1;
  }
  return hits;
}

const without = (words: readonly Word[], { index, used }: Hit) => [
  ...words.slice(0, index),
  ...words.slice(index + used),
];

const joinAt = (at: number): Word => ({ word: JOIN, text: "", at, end: at, quoted: false });

const parted = (words: readonly Word[], { index, used }: Hit) => [
  ...words.slice(0, index),
  joinAt(words[index]?.at ?? 0),
  ...words.slice(index + used),
];

/** "3 off m6x20" is three of them: the trade's way of counting, and no verb where the line has one. */
function withoutIdiom(words: readonly Word[]): readonly Word[] {
  const isIdiom = (index: number) =>
    words[index]?.word === "off" && /^\d+$/.test(words[index - 1]?.word ?? "") && index < words.length - 1;
  const rest = words.filter((_, index) => !isIdiom(index));
  return hitsOf(rest).length > 0 ? rest : words;
}

/** "in" or "on" between things says where, not what happened: "3 bolts out in bag 2", "clip off on the left". */
const saysWhere = (words: readonly Word[], hit: Hit) =>
  hit.used === 1 &&
  hit.index > 0 &&
  hit.index < words.length - 1 &&
  ["in", "on"].includes(words[hit.index]?.word ?? "");

const isOut = ({ move }: Hit) => move === "out" || move === "unplug";

/** "Grille off, 6 push pins" and "grille off 6 push pins": the verb may end one thing and leave the next to be said. */
function splitAt(words: readonly Word[], hit: Hit): MoveRead | undefined {
  const [before, after] = [words.slice(0, hit.index), words.slice(hit.index + hit.used)];
  const [first] = after;
  const counts = first && (/^\d+x?$/.test(first.word) || first.word === "with");
  if (before.length === 0 || !counts || before.some(({ word }) => /\d/.test(word))) return undefined;
  return { move: hit.move, rest: [...before, joinAt(first.at), ...after], at: words[hit.index]?.at ?? 0 };
}

/**
 * Every way in which a line can be taken to say that something moved. "3 m6x20 in bag 2" may say where three bolts are
 * now or that they are back: both are offered, and what the book knows decides.
 */
export function movesOf(line: readonly Word[]): MoveRead[] {
  const words = withoutIdiom(line);
  const hits = hitsOf(words);
  const ways: MoveRead[] = [];
  const take = (hit: Hit, others: Hit[]) => {
    // "Undertray off airbox off" is two things, each with its verb.
    const isRepeated = others.length > 0 && others.every((other) => other.move === hit.move);
    let rest: Word[] = [...words];
    for (const each of [hit, ...others].sort((a, b) => b.index - a.index))
      rest = isRepeated ? parted(rest, each) : without(rest, each);
    ways.push({ move: hit.move, rest, at: words[hit.index]?.at ?? 0 });
  };
  for (const hit of hits) {
    const others = hits.filter((other) => other !== hit);
    const isSame = others.every((other) => other.move === hit.move && other.used === 1);
    if (others.length === 0 || (isSame && hit === hits[0])) take(hit, others);
    else if (isOut(hit) && others.every((other) => saysWhere(words, other))) take(hit, others);
    else if (
      !isOut(hit) &&
      others.every((other) => !isOut(other) && saysWhere(words, other)) &&
      !saysWhere(words, hit)
    )
      take(hit, others);
  }
  const [only] = hits;
  const split = only && splitAt(words, only);
  if (split && hits.length === 1 && isOut(only)) ways.push(split);
  const first = words[0];
  if (!only && first?.word === "plug" && !first.quoted && words.length > 1)
    ways.push({ move: "in", rest: [...words], at: first.at });
  const into = words.findIndex(
    ({ word }, index) => word === "into" && CONTAINERS.has(words[index + 1]?.word ?? ""),
  );
  if (!only && into > 0) ways.push({ move: "out", rest: [...words], at: words[into]?.at ?? 0 });
  if (
    only?.move === "in" &&
    hits.length === 1 &&
    only.index > 0 &&
    CONTAINERS.has(words[only.index + 1]?.word ?? "")
  )
    ways.push({ move: "out", rest: without(words, only), at: words[only.index]?.at ?? 0 });
  return ways;
}
