import type { Entry } from "../../book/entry/index.ts";
import { Finding, lastFact } from "../../book/facts/index.ts";
import { partsState, plainPart } from "../../book/parts/index.ts";

export interface PartLife {
  item: string;
  place: string;
  grade: string;
  supplier: string;
  /** ISO dates; `to` is absent while it is in the car. */
  from: string;
  to?: string;
  /** Changed while nothing was wrong with it, or for another in the same job: it is over, and did not fail. */
  isChanged?: true;
  jobId: string;
}

const same = (a: string | undefined, b: string | undefined) =>
  (a ?? "").toLowerCase() === (b ?? "").toLowerCase();

/**
 * Every cooling part fitted new to a vehicle, from its jobs' books oldest first: fitted where a chosen part of that
 * name went back in, ended where a later job chose and fitted the next one. Where that job found nothing wrong the part was changed as
 * planned, and did not fail.
 */
export function partLives(books: readonly { jobId: string; entries: readonly Entry[] }[]): PartLife[] {
  const lives: PartLife[] = [];
  for (const { jobId, entries } of books) {
    const isSound = lastFact(entries, Finding)?.fact.finding === "nothing-wrong";
    for (const { item, place, grade, supplier, fitted } of partsState(entries)) {
      if (!fitted) continue;
      const before = lives.findLast(
        (life) => !life.to && plainPart(life.item) === plainPart(item) && same(life.place, place),
      );
      if (before) {
        before.to = fitted.at;
        if (isSound || before.jobId === jobId) before.isChanged = true;
      }
      lives.push({ item, place, grade, supplier, from: fitted.at, jobId });
    }
  }
  return lives.reverse();
}
