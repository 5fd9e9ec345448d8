import type { EntryDraft } from "../book/entry/index.ts";
import type { BalanceLine } from "../book/out/index.ts";
import { thing } from "../book/out/index.ts";
import { PARTS } from "./lexicon.ts";
import type { Expectation, LineContext, Read } from "./line.ts";
import type { MoveRead } from "./moves.ts";
import { type Named, readThings } from "./things.ts";
import type { Word } from "./words.ts";

const plain = (word: string) => PARTS.get(word) ?? word;
const wordsIn = (text: string) =>
  text
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean)
    .flatMap((word) => plain(word).split(" "));

const lineWordsOf = new WeakMap<BalanceLine, ReadonlySet<string>>();

/** The words that a person may use for a line of the book, beyond those that name its kind. Cut up once for each line. */
function lineWords(line: BalanceLine): ReadonlySet<string> {
  const known = lineWordsOf.get(line);
  if (known) return known;
  const words = wordsOfLine(line);
  lineWordsOf.set(line, words);
  return words;
}

function wordsOfLine(line: BalanceLine): Set<string> {
  const caps = line.account === "line-cap" ? ["line", "cap"] : [];
  return new Set([...wordsIn(line.place), ...wordsIn(line.item), ...caps]);
}

const sameItem = (wanted: string, item: string) =>
  item === wanted ||
  item.startsWith(`${wanted}×`) ||
  item.startsWith(`${wanted} `) ||
  item.endsWith(` ${wanted}`);

function matches(line: BalanceLine, named: Named, isPlug: boolean): boolean {
  const account = isPlug ? "connector" : named.account;
  // "in fan" says that a fan is back, and never means the plug that hangs beside it.
  const isOnlyNamed = !account && !named.item && !named.container;
  if (isOnlyNamed && line.account !== "part" && line.account !== "tool") return false;
  if (account && account !== line.account) {
    // A part that was written out as "upper hose" is a hose to whoever puts it back.
    if (line.account !== "part" || !named.item || !lineWords(line).has(named.item.toLowerCase()))
      return false;
  }
  if (named.container && named.container !== line.place.toLowerCase()) return false;
  const item = isPlug ? "plug" : named.item?.toLowerCase();
  if (item && line.account !== "part" && !sameItem(item, line.item.toLowerCase())) return false;
  const has = lineWords(line);
  return [...named.sides, ...named.names.flatMap(wordsIn)].every((word) => has.has(word));
}

/** A line that is named whole comes before lines that merely hold the words: the radiator before its hoses. */
function isExact(line: BalanceLine, named: Named): boolean {
  const said = new Set([
    ...named.sides,
    ...named.names.flatMap(wordsIn),
    ...(named.item ? wordsIn(named.item) : []),
    ...(named.container ? wordsIn(named.container) : []),
  ]);
  const has = lineWords(line);
  return said.size === has.size && [...has].every((word) => said.has(word));
}

const back = (line: BalanceLine, count: number): EntryDraft => ({
  kind: "movement",
  account: line.account,
  item: line.item,
  ...(line.place ? { place: line.place } : {}),
  in: count,
});

const MOST_NAMED = 4;
const told = (lines: readonly BalanceLine[]) =>
  lines
    .slice(0, MOST_NAMED)
    .map((line) => thing(line, line.open))
    .join("; ") + (lines.length > MOST_NAMED ? "; …" : "");

function backOf(named: Named, context: LineContext, isPlug: boolean): EntryDraft[] | Expectation {
  const some = context.open.filter((line) => matches(line, named, isPlug));
  const exact = some.filter((line) => isExact(line, named));
  const found = exact.length > 0 ? exact : some;
  const [only] = found;
  if (!only) {
    const isAnyOut = context.open.length > 0;
    return {
      expected: isAnyOut
        ? `something that is out: ${told(context.open)}`
        : "nothing: nothing is out in this job",
      at: named.at,
    };
  }
  const places = new Set(found.map((line) => line.place.toLowerCase()));
  const isWholeBag = named.container !== undefined && named.count === undefined && places.size === 1;
  if (found.length > 1 && !isWholeBag) return { expected: `which of them: ${told(found)}`, at: named.at };
  if (named.count !== undefined && named.count > only.open)
    return {
      expected: `at most ${only.open}: that is what is still out of ${thing(only)}`,
      at: named.countAt ?? named.at,
    };
  return found.map((line) => back(line, named.count ?? line.open));
}

const EVERYTHING = new Set(["everything", "all"]);

/** What goes back must be out: the line is matched against what is open, and never books more than that. */
export function readBack({ move, rest, at }: MoveRead, line: readonly Word[], context: LineContext): Read {
  const isAll = rest.length === 1 && EVERYTHING.has(rest[0]?.word ?? "");
  const all = context.open.filter(({ account }) => move !== "plug-in" || account === "connector");
  if (isAll && all.length > 0) return all.map((each) => back(each, each.open));
  const known = new Set(context.names);
  for (const each of context.open) for (const word of lineWords(each)) known.add(word);
  const things = readThings(rest, known);
  if ("expected" in things) return things;
  const drafts: EntryDraft[] = [];
  for (const named of things) {
    const isEmpty = !named.account && !named.container && named.sides.length + named.names.length === 0;
    if (isEmpty && move !== "plug-in")
      return {
        expected: "what went back: in bag 2, in upper hose, in fan plug left",
        at: line.at(-1)?.end ?? at,
      };
    const found = backOf(named, context, move === "plug-in");
    if ("expected" in found) return found;
    drafts.push(...found);
  }
  const twice = drafts.find((draft, index) =>
    drafts.some(
      (other, before) =>
        before < index &&
        other.item === draft.item &&
        other.place === draft.place &&
        other.account === draft.account,
    ),
  );
  return twice ? { expected: "each thing once", at } : drafts;
}
