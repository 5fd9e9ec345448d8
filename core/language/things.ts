import { HOSE_SIDES } from "./lexicon.ts";
import type { Expectation } from "./line.ts";
import { type Named, readStretch } from "./read-stretch.ts";
import { JOIN, type Word } from "./words.ts";

export type { Named };

/** "upper hose" and "top hose" are one place. */
const withHoseSides = (named: Named): Named =>
  named.account === "hose" || /\bhose\b/.test(named.item ?? "")
    ? { ...named, sides: named.sides.map((side) => HOSE_SIDES[side] ?? side) }
    : named;

const isSideOnly = ({ account, item, names, container, count }: Named) =>
  !account && !item && names.length === 0 && !container && count === undefined;
const isCountOnly = (named: Named) =>
  !named.account && !named.item && named.names.length === 0 && !named.container && named.sides.length === 0;
const takesContainer = ({ account }: Named) => account === "fastener" || account === "clip";

/** What a stretch leaves unsaid because another says it: "upper and lower hose", "bag 2 and 3", "3 m6 and 2 nuts bag 1". */
function fillIn(all: Named[]): Named[] {
  const filled = all.map((named) => ({ ...named }));
  for (const [index, named] of filled.entries()) {
    const before = filled[index - 1];
    const after = filled.slice(index + 1).find((each) => !isSideOnly(each));
    const model = before && !isSideOnly(before) && index === filled.length - 1 ? before : (after ?? before);
    if (isSideOnly(named) && named.sides.length > 0 && model) {
      named.account = model.account;
      named.item = model.item;
      named.names = [...model.names];
      named.container = model.container;
    } else if (isCountOnly(named) && before?.container && !before.account && !before.item) {
      named.container = before.container.replace(/\S+$/, String(named.count));
      named.count = undefined;
    }
  }
  const shared = filled.flatMap(({ container }) => container ?? []);
  const isAtAnEnd = Boolean(filled.at(-1)?.container) || filled[0]?.isContainerFirst === true;
  if (new Set(shared).size === 1 && isAtAnEnd)
    for (const named of filled) if (takesContainer(named)) named.container ??= shared[0];
  return filled;
}

interface Stretch {
  words: Word[];
  /** True where a comma parts it from the one before, and no "and". */
  isBehindComma: boolean;
}

function stretchesOf(words: readonly Word[]): Stretch[] {
  const stretches: Stretch[] = [{ words: [], isBehindComma: false }];
  for (const word of words) {
    const last = stretches.at(-1) as Stretch;
    if (word.word !== JOIN || word.quoted) last.words.push(word);
    else if (last.words.length > 0) stretches.push({ words: [], isBehindComma: word.text === "," });
    else last.isBehindComma &&= word.text === ",";
  }
  return stretches.filter((stretch, index) => stretch.words.length > 0 || index === 0);
}

const isContainerOnly = ({ account, item, names, sides, count, container }: Named) =>
  Boolean(container) && !account && !item && names.length + sides.length === 0 && count === undefined;
/** A bare name, which behind a comma may say where the thing before it was. */
const isPlaceOnly = ({ account, item, count, container, names, sides }: Named) =>
  !account && !item && count === undefined && !container && names.length + sides.length > 0;
const hasPlace = ({ account }: Named) =>
  account === "fastener" || account === "clip" || account === "connector";

/** Joins what is only a place to the thing it is the place of. */
function joinPlaces(all: { named: Named; isBehindComma: boolean }[], isCommaPlace: boolean): Named[] {
  const joined: Named[] = [];
  for (const { named, isBehindComma } of all) {
    const before = joined.at(-1);
    if (before && isBehindComma && isContainerOnly(named) && !before.container && !isContainerOnly(before))
      joined[joined.length - 1] = { ...before, container: named.container };
    else if (before && isBehindComma && isCommaPlace && isPlaceOnly(named) && hasPlace(before))
      joined[joined.length - 1] = {
        ...before,
        names: [...before.names, ...named.names],
        sides: [...before.sides, ...named.sides],
      };
    else joined.push(named);
  }
  return joined;
}

/** A stretch of mere “the”s and “of”s names nothing. */
const withoutEmpty = (all: Named[]) =>
  all.filter(
    ({ account, item, names, sides, count, container }, _, { length }) =>
      length === 1 || account || item || names.length || sides.length || count !== undefined || container,
  );

/**
 * Everything that a stretch of a line names, one after another; or the first word that can't be placed. `known` are
 * names used here before. With `isCommaPlace` a bare name behind a comma is where the thing before it was: "8 clips, undertray".
 */
export function readThings(
  words: readonly Word[],
  known: ReadonlySet<string>,
  isCommaPlace = false,
): Named[] | Expectation {
  const all: { named: Named; isBehindComma: boolean }[] = [];
  for (const { words: stretch, isBehindComma } of stretchesOf(words)) {
    const named = readStretch(stretch, known);
    if ("expected" in named) return named;
    all.push({ named, isBehindComma });
  }
  return fillIn(withoutEmpty(joinPlaces(all, isCommaPlace))).map(withHoseSides);
}
