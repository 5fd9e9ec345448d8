import type { Account } from "../book/entry/index.ts";
import {
  CONTAINERS,
  COUNT_WORDS,
  COUNTED_NAMES,
  DENYING,
  FILLERS,
  KINDS_COUNTED,
  OPPOSITES,
  PARTS,
  SAID_OF_THINGS,
  SIDES,
  STAND_ALONE,
  TOOL_NAMES,
} from "./lexicon.ts";
import type { Expectation } from "./line.ts";
import { isManySaid } from "./said-count.ts";
import { sizeAt } from "./sizes.ts";
import { bareFigure, isBare, type Word } from "./words.ts";

/** What a stretch of a line names: how many of what, and where. */
export interface Named {
  count?: number;
  countAt?: number;
  /** Where several things are named, whose count has to be said as they come out. */
  manyAt?: number;
  /** The same of parts, which may only be the place of something smaller. */
  partsAt?: number;
  account?: Account;
  /** The kind of thing: a size, "plug", "spring clamp". */
  item?: string;
  container?: string;
  /** True where the container was said before anything else. */
  isContainerFirst?: boolean;
  sides: string[];
  /** Parts, places and quoted names, in the order typed. */
  names: string[];
  at: number;
  end: number;
}

const MOST_AT_ONCE = 200;
/** Nobody takes more of one part off at a time: a larger figure means something else. */
const MOST_PARTS = 24;
const LONGEST_PHRASE = 4;
const LINE_CAPS = new Set([
  "line cap",
  "line caps",
  "linecap",
  "linecaps",
  "line plug",
  "line plugs",
  "blanking cap",
  "blanking caps",
]);
const NUMBERED = new Set(["fuse", "relay", "circuit", "cylinder", "injector"]);

/** The longest run of words from here that a table knows, as its name. */
function phraseAt(
  words: readonly Word[],
  index: number,
  table: { get: (phrase: string) => string | undefined },
): { name: string; used: number } | undefined {
  for (let used = Math.min(LONGEST_PHRASE, words.length - index); used > 0; used--) {
    const stretch = words.slice(index, index + used);
    if (stretch.some(({ quoted }) => quoted)) continue;
    const name = table.get(stretch.map(({ word }) => word).join(" "));
    if (name !== undefined) return { name, used };
  }
  return undefined;
}

const lineCaps = { get: (phrase: string) => (LINE_CAPS.has(phrase) ? "line cap" : undefined) };

function countOf(word: string): number | undefined {
  if (Object.hasOwn(COUNT_WORDS, word)) return COUNT_WORDS[word];
  const times = /^(\d+)x$/.exec(word)?.[1] ?? /^x(\d+)$/.exec(word)?.[1];
  if (times) return Number(times);
  return isBare(word) ? bareFigure(word) : undefined;
}

/** The places a stretch's names are looked up in, and what each hit does to what is named. */
class Reader {
  readonly named: Named;
  private index = 0;
  /** Where a second thing is named without an "and" before it. */
  private secondAt: number | undefined;
  /** True where "tool" itself was said: whatever follows is its name. */
  private isToolSaid = false;

  constructor(
    private readonly words: readonly Word[],
    private readonly known: ReadonlySet<string>,
  ) {
    this.named = { sides: [], names: [], at: words[0]?.at ?? 0, end: words.at(-1)?.end ?? 0 };
  }

  private word(offset = 0): Word | undefined {
    return this.words[this.index + offset];
  }

  /** The first word that can't be placed, or nothing. */
  read(): Expectation | undefined {
    while (this.index < this.words.length) {
      const trouble = this.step();
      if (trouble) return trouble;
    }
    return this.secondThing() ?? this.tooMany();
  }

  private step(): Expectation | undefined {
    const word = this.word() as Word;
    if (word.quoted) return this.take(1, () => this.quoted(word.word));
    if (CONTAINERS.has(word.word) || /^bag\d+$/.test(word.word)) return this.container(word);
    if (word.word === "tool" || word.word === "tools")
      return this.take(1, () => {
        this.isToolSaid = true;
        this.name("tool", undefined);
      });
    return (this.size() ?? this.phrase() ?? this.figure(word) ?? this.plain(word)) || undefined;
  }

  private take(used: number, work: () => unknown): undefined {
    work();
    this.index += used;
    return undefined;
  }

  /**
   * The first kind named is the thing: "bracket bolts" are bolts whatever else is said of them. A size before it belongs
   * to it ("10mm hose"), a tool's name before a bolt says where ("pan bolts"), and the same kind twice is two things.
   */
  private name(account: Account, item: string | undefined): void {
    const { named } = this;
    const isPlaceSoFar = named.account === "tool" && !this.isToolSaid && item !== undefined;
    if (named.account === undefined || named.account === "fastener" || isPlaceSoFar) {
      named.item = named.item && item ? `${named.item} ${item}` : (item ?? named.item);
      named.account = account;
    } else if (item && item === named.item) this.secondAt ??= this.word()?.at;
    else if (item) named.names.push(item);
  }

  /** A quoted name is kept as it is; its last word says whether it is a bolt, a clip, a hose or a part. */
  private quoted(name: string): void {
    const last = COUNTED_NAMES.get(name.split(" ").at(-1) ?? "");
    const counted = last === undefined ? undefined : KINDS_COUNTED[last];
    if (!counted || this.named.account) this.named.names.push(name);
    else {
      this.named.account = counted.account;
      this.named.item = name;
    }
  }

  private counted(word: Word): void {
    this.named.count = countOf(word.word);
    this.named.countAt = word.at;
  }

  private container(word: Word): Expectation | undefined {
    const glued = /^bag(\d+)$/.exec(word.word)?.[1];
    const label = glued ? undefined : this.word(1);
    if (!glued && (!label || label.quoted || !/^[a-z0-9]{1,6}$/.test(label.word) || FILLERS.has(label.word)))
      return { expected: `which ${word.word}: ${word.word} 2`, at: label?.at ?? word.end };
    if (this.named.container)
      return { expected: "one bag for one thing; say the rest in a line of its own", at: word.at };
    const number = Object.hasOwn(COUNT_WORDS, label?.word ?? "")
      ? COUNT_WORDS[label?.word ?? ""]
      : label?.word;
    const name = glued ? `bag ${glued}` : `${word.word} ${number}`;
    return this.take(glued ? 1 : 2, () => {
      this.named.container = name;
      this.named.isContainerFirst = word.at === this.named.at;
    });
  }

  private size(): Expectation | undefined | false {
    const isNumbered = NUMBERED.has(this.word(-1)?.word ?? "");
    const size = isNumbered ? undefined : sizeAt(this.words, this.index);
    if (!size) return undefined;
    if (size.count !== undefined && this.named.count !== undefined)
      return { expected: "one count for one thing", at: this.word()?.at ?? 0 };
    // "10mm socket" is a socket.
    if (phraseAt(this.words, this.index + size.used, TOOL_NAMES)) {
      this.take(size.used, () => this.named.names.push(size.name));
      return false;
    }
    this.take(size.used, () => {
      if (size.count !== undefined) this.named.count = size.count;
      // "m6 bolts 20mm": the length of what is named already, not another size.
      const length = /^(\d+) mm$/.exec(size.name)?.[1];
      if (length && /^M\d+(?:\.\d)?(?: |$)/.test(this.named.item ?? "")) {
        this.named.item = this.named.item?.replace(/^M[\d.]+/, (thread) => `${thread}×${length}`);
        return;
      }
      this.named.item =
        this.named.item && this.named.account === "fastener" ? `${size.name} ${this.named.item}` : size.name;
      this.named.account ??= "fastener";
    });
    return false;
  }

  private phrase(): undefined | false {
    const caps = phraseAt(this.words, this.index, lineCaps);
    const part = phraseAt(this.words, this.index, PARTS);
    const counted = phraseAt(this.words, this.index, COUNTED_NAMES);
    const tool = phraseAt(this.words, this.index, TOOL_NAMES);
    const best = [caps, counted, part, tool].reduce((a, b) => ((b?.used ?? 0) > (a?.used ?? 0) ? b : a));
    if (!best) return undefined;
    const last = this.word(best.used - 1);
    this.take(best.used, () => {
      if (best === caps) this.name("line-cap", undefined);
      else if (best === counted && !this.isToolSaid) {
        const { account, item } = KINDS_COUNTED[best.name] ?? { account: "part" as const, item: best.name };
        this.name(account, item);
        if (last && isManySaid(last.word)) this.named.manyAt = last.at;
      } else if (best === tool && best !== part) {
        this.name("tool", undefined);
        this.named.names.push(best.name);
      } else {
        const isSeveral = last && !best.name.endsWith(last.word) && isManySaid(last.word);
        if (isSeveral) this.named.partsAt = last.at;
        this.part(best.name);
      }
    });
    return false;
  }

  private part(name: string): void {
    const number = this.word(1);
    const isSecond = this.named.names.length > 0 && STAND_ALONE.has(name);
    if (isSecond && (!this.named.account || this.named.account === "part")) this.secondAt ??= this.word()?.at;
    const isNumbered = NUMBERED.has(name) && number && /^f?\d{1,3}$/.test(number.word);
    this.named.names.push(isNumbered ? `${name} ${number.word}` : name);
    if (isNumbered) this.index++;
  }

  private figure(word: Word): Expectation | false | undefined {
    const count = countOf(word.word);
    if (count === undefined) return undefined;
    if (this.named.count !== undefined)
      return { expected: "one count for one thing; write a bag as bag 2", at: word.at };
    if (!Number.isInteger(count) || count < 1 || count > MOST_AT_ONCE)
      return { expected: `a whole count from 1 to ${MOST_AT_ONCE}`, at: word.at };
    this.take(1, () => this.counted(word));
    return false;
  }

  private plain(word: Word): Expectation | undefined {
    if (SIDES.has(word.word)) return this.take(1, () => this.named.sides.push(word.word));
    if (FILLERS.has(word.word) || SAID_OF_THINGS.has(word.word) || word.word === "x")
      return this.take(1, () => undefined);
    const isKnown = this.known.has(word.word) && !DENYING.has(word.word);
    const isToolWord =
      this.named.account === "tool" && /^[a-z0-9-]+$/.test(word.word) && !DENYING.has(word.word);
    if (isKnown || isToolWord) return this.take(1, () => this.named.names.push(word.word));
    if (/^[+-]?[\d.,]/.test(word.word))
      return { expected: "a count without a unit: litres are drained, spilled or added", at: word.at };
    return {
      expected: "a part, place, size or count; put a name not used here before in quotes",
      at: word.at,
    };
  }

  private secondThing(): Expectation | undefined {
    const { sides, at, account } = this.named;
    const isTorn = OPPOSITES.some((pair) => pair.every((side) => sides.includes(side)));
    const isOneWithPlace = account !== undefined && account !== "part" && this.named.item === undefined;
    const second = isTorn ? at : isOneWithPlace ? undefined : this.secondAt;
    return second === undefined ? undefined : { expected: "a comma or “and” between two things", at: second };
  }

  private tooMany(): Expectation | undefined {
    const { account, count = 1, countAt, at } = this.named;
    const isCounted = account !== undefined && account !== "part" && account !== "tool";
    return !isCounted && count > MOST_PARTS
      ? { expected: `a count from 1 to ${MOST_PARTS} for a part`, at: countAt ?? at }
      : undefined;
  }
}

/** What one stretch of a line names, or the first word that can't be placed. `known` are names used here before. */
export function readStretch(words: readonly Word[], known: ReadonlySet<string>): Named | Expectation {
  const reader = new Reader(words, known);
  return reader.read() ?? reader.named;
}
