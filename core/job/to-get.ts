import { factsOf, Got, Task, TaskDone, ToGet } from "../facts/index.ts";
import { type Entry, thing } from "../ledger/index.ts";

export interface Wanted {
  entryId: string;
  words: string;
  because: ToGet["because"];
  isHere: boolean;
}

const countedWords = (count: number, words: string) => (count > 1 ? `${count} × ${words}` : words);

/** What the job needs and hadn't, in the order in which it was found out: broken, too short, missing. */
export function toGet(entries: readonly Entry[]): Wanted[] {
  const got = new Set(factsOf(entries, Got).map(({ fact }) => fact.line));
  return factsOf(entries, ToGet).map(({ fact: { count, because }, entry }) => ({
    entryId: entry.id,
    words: countedWords(count, thing(entry)),
    because,
    isHere: got.has(entry.id),
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
