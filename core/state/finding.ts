import type { Entry } from "../book/entry/index.ts";
import { Complaint, Finding, lastFact } from "../book/facts/index.ts";
import { fuseCause } from "./fuse-cause.ts";

export interface Found {
  /** "nothing-wrong" is a finding like any other. */
  kind: "fault" | "nothing-wrong";
  words: string;
  /** What blew the fuse, where one did: said, or that nobody has. */
  cause?: string;
  entryId: string;
}

/** What the job found to be the trouble: the last that was said. */
export function findingOf(entries: readonly Entry[]): Found | undefined {
  const last = lastFact(entries, Finding);
  const blown = last && last.fact.finding === "fault" ? fuseCause(entries) : undefined;
  const cause = blown?.words ?? (blown?.isAsked ? "what blew it: nobody has written" : undefined);
  return (
    last && {
      kind: last.fact.finding,
      words: last.entry.text ?? "",
      ...(cause && { cause }),
      entryId: last.entry.id,
    }
  );
}

/** The complaint in the owner's words, or nothing yet. */
export const complaintOf = (entries: readonly Entry[]): string | undefined =>
  lastFact(entries, Complaint)?.entry.text;
