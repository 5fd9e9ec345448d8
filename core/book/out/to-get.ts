import type { Account, Entry, EntryDraft } from "../entry/index.ts";
import { dataOf, factsOf, Got, Task, TaskDone, ToGet } from "../facts/index.ts";
import { balanceKey } from "./balance.ts";
import { type OutEntry, outNow } from "./out-now.ts";
import { thing } from "./words.ts";

export interface Wanted {
  entryId: string;
  words: string;
  because: ToGet["because"];
  isHere: boolean;
  /** What it was counted under as it was out, as `balanceKey` has it. */
  key?: string;
}

const countedWords = (count: number, words: string) => (count > 1 ? `${count} × ${words}` : words);

/** What the job needs and hadn't, in the order in which it was found out: broken, too short, missing. */
export function toGet(entries: readonly Entry[]): Wanted[] {
  const got = new Set(factsOf(entries, Got).map(({ fact }) => fact.line));
  return factsOf(entries, ToGet).map(({ fact: { count, because, account }, entry }) => ({
    entryId: entry.id,
    words: countedWords(count, thing(entry)),
    because,
    isHere: got.has(entry.id),
    ...(account ? { key: balanceKey({ account, item: entry.item, place: entry.place }) } : {}),
  }));
}

export interface TaskLine {
  entryId: string;
  words: string;
  minutes: number;
  isDone: boolean;
}

/** The tasks of a job beside its order of work. */
export function tasksOf(entries: readonly Entry[]): TaskLine[] {
  const done = new Set(factsOf(entries, TaskDone).map(({ fact }) => fact.task));
  return factsOf(entries, Task).map(({ fact: { minutes }, entry }) => ({
    entryId: entry.id,
    words: [entry.item, entry.text].filter(Boolean).join(": "),
    minutes,
    isDone: done.has(entry.id),
  }));
}

/** A name as its words in any order, without plurals: "clips undertray" is the clip of the undertray. */
const plainName = (...texts: (string | undefined)[]) =>
  texts
    .join(" ")
    .toLowerCase()
    .replace(/×/g, "x")
    .split(/[\s,]+/)
    .map((word) => word.replace(/(?<=[a-z]{2})s$/, ""))
    .filter(Boolean)
    .sort()
    .join(" ");

/**
 * What is written of something to get. What broke or was lost is said by the name under which it is out, so that it leaves
 * where it lay until another is here; it stays as it was typed where nothing, or more than one thing, could be meant.
 */
export function toGetDraft(
  entries: readonly Entry[],
  { item, place, count, because, word }: { item: string; place?: string; word: string } & ToGet,
): EntryDraft {
  const lay = because === "fit" ? undefined : awaitedOf(entries, { item, place });
  return {
    kind: "note",
    item: lay?.item ?? item,
    ...((lay?.place ?? place) ? { place: lay?.place ?? place } : {}),
    text: `${word}, ${count} to get`,
    data: dataOf(ToGet, { count, because, ...(lay ? { account: lay.account } : {}) }),
  };
}

/** A tool or a cap that nobody finds may lie where it can do harm: to get another doesn't take it out of there. */
const STAYS_IN_THE_BAY: ReadonlySet<Account> = new Set(["tool", "line-cap"]);

function awaitedOf(
  entries: readonly Entry[],
  { item, place }: { item: string; place?: string },
): Pick<OutEntry, "account" | "item" | "place"> | undefined {
  const name = plainName(item);
  const named = outNow(entries).filter(
    (each) =>
      !STAYS_IN_THE_BAY.has(each.account) &&
      (place
        ? plainName(each.place) === plainName(place) && plainName(each.item) === name
        : [plainName(each.item), plainName(each.item, each.place)].includes(name)),
  );
  const [only] = named;
  return only && new Set(named.map(balanceKey)).size === 1
    ? { account: only.account, item: only.item, place: only.place }
    : undefined;
}
