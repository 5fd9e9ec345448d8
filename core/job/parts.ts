import { CheckedPart, ChosenPart, factsOf, RefusedPart } from "../facts/index.ts";
import { type Entry, standing, thing } from "../ledger/index.ts";
import { plainPart } from "./part-kind.ts";

export interface ChosenPartLine {
  entryId: string;
  words: string;
  item: string;
  place: string;
  grade: string;
  supplier: string;
  /** Who said it is here, out of its box and undamaged, and when; the line that says so. */
  checked?: { by: string; at: string; entryId: string };
  /** Who sent it back, and why. */
  refused?: { by: string; at: string; entryId: string; because: string };
}

/** The parts chosen for a job, with whether each was looked at out of its box. */
export function chosenParts(entries: readonly Entry[]): ChosenPartLine[] {
  const checks = factsOf(entries, CheckedPart);
  const refusals = factsOf(entries, RefusedPart);
  return factsOf(entries, ChosenPart).map(({ fact: { grade, supplier }, entry }) => {
    const check = checks.find(({ fact }) => fact.part === entry.id)?.entry;
    const refusal = refusals.find(({ fact }) => fact.part === entry.id);
    return {
      entryId: entry.id,
      words: thing({ ...entry, account: "part" }),
      item: entry.item ?? "",
      place: entry.place ?? "",
      grade,
      supplier,
      checked: check && { by: check.by, at: check.at, entryId: check.id },
      refused: refusal && {
        by: refusal.entry.by,
        at: refusal.entry.at,
        entryId: refusal.entry.id,
        because: refusal.fact.because,
      },
    };
  });
}

export interface PartLife {
  item: string;
  place: string;
  grade: string;
  supplier: string;
  /** ISO dates; `to` is absent while it is in the car. */
  from: string;
  to?: string;
  jobId: string;
}

const same = (a: string | undefined, b: string | undefined) =>
  (a ?? "").toLowerCase() === (b ?? "").toLowerCase();

/**
 * Every cooling part fitted new to a vehicle, from its jobs' books oldest first: fitted where a chosen part of that
 * name went back in, ended where a later job chose and fitted the next one.
 */
export function partLives(books: readonly { jobId: string; entries: readonly Entry[] }[]): PartLife[] {
  const lives: PartLife[] = [];
  for (const { jobId, entries } of books) {
    const fitted = standing(entries).filter((entry) => entry.account === "part" && (entry.in ?? 0) > 0);
    for (const chosen of chosenParts(entries)) {
      const there = fitted.filter((each) => same(each.place, chosen.place));
      const entry =
        there.find((each) => same(each.item, chosen.item)) ??
        there.find((each) => plainPart(each.item ?? "") === plainPart(chosen.item));
      if (!entry) continue;
      const before = lives.findLast(
        (life) =>
          !life.to && plainPart(life.item) === plainPart(chosen.item) && same(life.place, chosen.place),
      );
      if (before) before.to = entry.at;
      const { item, place, grade, supplier } = chosen;
      lives.push({ item, place, grade, supplier, from: entry.at, jobId });
    }
  }
  return lives.reverse();
}
