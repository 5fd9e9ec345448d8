import { type Entry, standing } from "../ledger/index.ts";

export interface Finding {
  /** "nothing-wrong" is a finding like any other. */
  kind: "fault" | "nothing-wrong";
  words: string;
  entryId: string;
}

/** What the job found to be the trouble: the last that was said. */
export function findingOf(entries: readonly Entry[]): Finding | undefined {
  const last = standing(entries).findLast(
    (entry) => entry.data?.finding === "fault" || entry.data?.finding === "nothing-wrong",
  );
  if (!last) return undefined;
  return {
    kind: last.data?.finding === "fault" ? "fault" : "nothing-wrong",
    words: last.text ?? "",
    entryId: last.id,
  };
}

/** The complaint in the owner's words, or nothing yet. */
export const complaintOf = (entries: readonly Entry[]): string | undefined =>
  standing(entries).findLast((entry) => entry.item === "complaint")?.text;
