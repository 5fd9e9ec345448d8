import { type Entry, onceStanding, type StandingEntry, standing } from "../entry/index.ts";
import { CheckedPart, ChosenPart, factOf, factsOf, RefusedPart } from "../facts/index.ts";
import { thing } from "../out/index.ts";
import { plainPart } from "./plain-part.ts";

/** Who said something of a part, and when; the line that says so. */
export interface SaidOfPart {
  by: string;
  at: string;
  entryId: string;
}

export interface PartState {
  /** The line that chose it. */
  entryId: string;
  words: string;
  item: string;
  place: string;
  grade: string;
  supplier: string;
  /** Where it is in its one life: the last that was said of it decides. */
  stage: "chosen" | "accepted" | "refused" | "fitted" | "out again";
  /** Out of its box and undamaged; never together with `refused`. */
  checked?: SaidOfPart;
  refused?: SaidOfPart & { because: string };
  fitted?: SaidOfPart;
  /** The part that was chosen in the place of this one once it was refused. */
  replacedBy?: string;
}

const same = (a: string | undefined, b: string | undefined) =>
  (a ?? "").trim().toLowerCase() === (b ?? "").trim().toLowerCase();

/** Moves of parts, each taken once: two chosen of one name are two. */
function fittings(entries: readonly Entry[]) {
  const moves = standing(entries).filter(({ kind, account }) => kind === "movement" && account === "part");
  const taken = new Set<string>();
  return ({ item = "", place, order }: StandingEntry) => {
    // What went back before it was chosen was the old one.
    const there = moves.filter(
      (each) => (each.in ?? 0) > 0 && each.order > order && !taken.has(each.id) && same(each.place, place),
    );
    const entry =
      there.find((each) => same(each.item, item)) ??
      there.find((each) => plainPart(each.item ?? "") === plainPart(item));
    if (!entry) return undefined;
    taken.add(entry.id);
    const isOutAgain = moves.some(
      (each) =>
        (each.out ?? 0) > 0 &&
        each.order > entry.order &&
        same(each.place, entry.place) &&
        same(each.item, entry.item) &&
        !moves.some(
          (back) =>
            (back.in ?? 0) > 0 &&
            back.order > each.order &&
            same(back.item, each.item) &&
            same(back.place, each.place),
        ),
    );
    return { entry, isOutAgain };
  };
}

/**
 * Every part that was chosen for a job, each in one state: accepted or refused by whoever spoke last, fitted, out again. A refused
 * part in whose place another of that name was chosen later is replaced and waits for nothing.
 */
export const partsState = onceStanding(
  (entries): PartState[] => {
    const chosen = factsOf(entries, ChosenPart);
    const said = [
      ...factsOf(entries, CheckedPart).map(({ fact, entry }) => ({
        part: fact.part,
        entry,
        because: undefined,
      })),
      ...factsOf(entries, RefusedPart).map(({ fact, entry }) => ({
        part: fact.part,
        entry,
        because: fact.because,
      })),
    ].sort((a, b) => a.entry.order - b.entry.order);
    const fittedAs = fittings(entries);
    const isRefused = (id: string) => said.findLast(({ part }) => part === id)?.because !== undefined;
    return chosen.map(({ fact: { grade, supplier }, entry }): PartState => {
      const last = said.findLast(({ part }) => part === entry.id);
      const by = last && { by: last.entry.by, at: last.entry.at, entryId: last.entry.id };
      const { item = "", place = "" } = entry;
      const part = {
        entryId: entry.id,
        words: thing({ ...entry, account: "part" }),
        item,
        place,
        grade,
        supplier,
      };
      if (by && last.because !== undefined) {
        const next = chosen.find(
          (other) =>
            other.entry.order > entry.order &&
            plainPart(other.entry.item ?? "") === plainPart(item) &&
            same(other.entry.place, place),
        );
        return {
          ...part,
          stage: "refused",
          refused: { ...by, because: last.because },
          ...(next ? { replacedBy: next.entry.id } : {}),
        };
      }
      const went = isRefused(entry.id) ? undefined : fittedAs(entry);
      return {
        ...part,
        stage: went ? (went.isOutAgain ? "out again" : "fitted") : by ? "accepted" : "chosen",
        ...(by ? { checked: by } : {}),
        ...(went ? { fitted: { by: went.entry.by, at: went.entry.at, entryId: went.entry.id } } : {}),
      };
    });
  },
  (added) => {
    const said = factOf(added)?.fact;
    return (
      (added.kind === "movement" && added.account === "part") ||
      [ChosenPart, CheckedPart, RefusedPart].some((kind) => said instanceof kind)
    );
  },
);

/** The parts that a job still wants: neither refused nor replaced. */
export const wantedParts = (entries: readonly Entry[]): PartState[] =>
  partsState(entries).filter(({ replacedBy }) => replacedBy === undefined);
