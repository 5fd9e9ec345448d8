import { type Entry, standing, thing } from "../ledger/index.ts";

export interface ChosenPart {
  entryId: string;
  words: string;
  item: string;
  place: string;
  grade: string;
  supplier: string;
  /** Who said it is here, out of its box and undamaged, and when. */
  checked?: { by: string; at: string };
}

export const GRADES = ["maker's", "pattern", "all-metal", "used"] as const;

const text = (value: unknown) => (typeof value === "string" ? value : "");

/** The parts chosen for a job, with whether each was looked at out of its box. */
export function chosenParts(entries: readonly Entry[]): ChosenPart[] {
  const counting = standing(entries);
  return counting
    .filter((entry) => entry.data?.chosenPart)
    .map((entry) => {
      const check = counting.find((each) => each.data?.checkedPart === entry.id);
      return {
        entryId: entry.id,
        words: thing({ ...entry, account: "part" }),
        item: entry.item ?? "",
        place: entry.place ?? "",
        grade: text(entry.data?.grade),
        supplier: text(entry.data?.supplier),
        checked: check && { by: check.by, at: check.at },
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
      const entry = fitted.find((each) => same(each.item, chosen.item) && same(each.place, chosen.place));
      if (!entry) continue;
      const before = lives.findLast(
        (life) => !life.to && same(life.item, chosen.item) && same(life.place, chosen.place),
      );
      if (before) before.to = entry.at;
      const { item, place, grade, supplier } = chosen;
      lives.push({ item, place, grade, supplier, from: entry.at, jobId });
    }
  }
  return lives.reverse();
}
