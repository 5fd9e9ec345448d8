import { WAYS_BACK, type WorkStep } from "../../trade/order/index.ts";
import { type Entry, type EntryDraft, type StandingEntry, standing } from "../entry/index.ts";
import { dataOf, factsOf, StepBack, StepDone } from "../facts/index.ts";
import type { StepOff } from "../out/index.ts";
import { balanceKey, outOpen } from "../out/index.ts";
import { wantedParts } from "../parts/index.ts";
import { struck } from "./lines.ts";
import type { Thing } from "./moves.ts";

/** What is booked as a step of the order of work is done: the step, then what it takes off, where that isn't off yet. */
export function stepDoneDrafts(
  { id, name }: Pick<WorkStep, "id" | "name">,
  entries: readonly Entry[],
): EntryDraft[] {
  const takes = Object.hasOwn(WAYS_BACK, id) ? (WAYS_BACK[id]?.takes ?? []) : [];
  const moves = takes
    .filter((taken) => outOpen(entries, taken) === 0)
    .map((taken): EntryDraft => ({ kind: "movement", ...taken, out: 1 }));
  return [
    { kind: "note", item: name.toLowerCase(), text: "done", data: dataOf(StepDone, { step: id }) },
    ...moves,
    ...(id === SWAP ? swapped(entries) : []),
  ];
}

/**
 * What is booked as a thing turns out not to be off after all: its line is struck, and so is the step that wrote it out in the same act,
 * which isn't done either then. Nothing where it isn't off.
 */
export function notOffDrafts(off: Thing, entries: readonly Entry[]): EntryDraft[] {
  const key = balanceKey(off);
  const line = standing(entries).findLast((entry) => (entry.out ?? 0) > 0 && balanceKey(entry) === key);
  if (!line) return [];
  const step = factsOf(entries, StepDone).findLast(
    ({ fact, entry }) =>
      entry.at === line.at &&
      entry.by === line.by &&
      WAYS_BACK[fact.step]?.takes?.some((taken) => balanceKey(taken) === key),
  );
  return [struck(line.id, line.kind), ...(step ? [struck(step.entry.id, step.entry.kind)] : [])];
}

/**
 * What moved in one act with this line, as it follows it: of one moment and one hand. What has moved again since is left out: its
 * later line tells of it, and without this one it would be counted twice.
 */
function movedWith(line: StandingEntry, entries: readonly Entry[]): StandingEntry[] {
  const after = standing(entries).filter(({ order }) => order > line.order);
  const end = after.findIndex(({ at, by, kind }) => at !== line.at || by !== line.by || kind !== "movement");
  const act = end < 0 ? after : after.slice(0, end);
  const since = new Set(
    after
      .slice(act.length)
      .filter(({ account }) => account !== "coolant")
      .map(balanceKey),
  );
  return act.filter((each) => !since.has(balanceKey(each)));
}

const strike = (lines: readonly StandingEntry[]): EntryDraft[] =>
  lines.map(({ id, kind }) => struck(id, kind));

/**
 * What is booked as a step turns out not to be done after all: its line is struck, and what moved in the same act, as far as it has
 * not moved since. Nothing where it isn't done, or was undone since.
 */
export function notDoneDrafts(step: string, entries: readonly Entry[]): EntryDraft[] {
  const done = lastDone(step, entries);
  if (!done || factsOf(entries, StepBack).some(({ fact }) => fact.done === done.id)) return [];
  return strike([done, ...movedWith(done, entries)]);
}

const lastDone = (step: string, entries: readonly Entry[]) =>
  factsOf(entries, StepDone).findLast(({ fact }) => fact.step === step)?.entry;

/**
 * What is booked as something isn't back after all, a step or a thing: the line that says so is struck, and so is the step's whose act
 * it was of, with all that went back in it. Nothing where nobody said that it is back since it was done last.
 */
export function notBackDrafts(of: { step: string } | Thing, entries: readonly Entry[]): EntryDraft[] {
  const backs = factsOf(entries, StepBack).map(({ fact, entry }) => ({
    done: fact.done,
    lines: [entry, ...movedWith(entry, entries)],
  }));
  if ("step" in of) {
    const done = lastDone(of.step, entries);
    return strike(backs.findLast((back) => back.done === done?.id)?.lines ?? []);
  }
  const key = balanceKey(of);
  const line = standing(entries).findLast((each) => (each.in ?? 0) > 0 && balanceKey(each) === key);
  return line ? strike(backs.findLast(({ lines }) => lines.includes(line))?.lines ?? [line]) : [];
}

/** The one step in which a part comes out and another goes in. */
const SWAP = "swap";
const SWITCH = /\b(?:switch|sensor)\b/i;

/** The switch that came out and the one that went in, by the name of the one that was chosen: what went in is to be proven. */
function swapped(entries: readonly Entry[]): EntryDraft[] {
  const chosen = wantedParts(entries).findLast(({ item }) => SWITCH.test(item));
  const { item, place } = chosen ?? { item: "fan switch", place: "" };
  const part: EntryDraft = { kind: "movement", account: "part", item, ...(place ? { place } : {}) };
  const isOut = outOpen(entries, part) > 0;
  return [...(isOut ? [] : [{ ...part, out: 1 }]), { ...part, in: 1 }];
}

/** What is booked as it is undone: the step with the checks that were seen right, then what it took off going back. */
export function stepBackDrafts(
  { step, back, entryId }: StepOff,
  seen: readonly { id: string; words: string }[],
  entries: readonly Entry[],
): EntryDraft[] {
  const moves = (back.takes ?? []).flatMap((taken): EntryDraft[] => {
    const open = outOpen(entries, taken);
    return open > 0 ? [{ kind: "movement", ...taken, in: open }] : [];
  });
  return [
    {
      kind: "note",
      item: back.name.toLowerCase(),
      text: seen.length > 0 ? seen.map(({ words }) => words).join("; ") : "done",
      data: dataOf(StepBack, { done: entryId, step, seen: seen.map(({ id }) => id) }),
    },
    ...moves,
  ];
}
