import { type Entry, onceStanding, type Stage, type StandingEntry, standing } from "../book/entry/index.ts";
import { Distance, factsOf, WarmUpLog } from "../book/facts/index.ts";
import { complaintOf, findingOf } from "./finding.ts";

/** Something that a job usually says before it is signed and this one doesn't. */
export interface NotWritten {
  words: string;
  /** Where it is written. */
  stage: Stage;
}

const isSeenInProve = ({ stage, kind }: StandingEntry) =>
  stage === "prove" && (kind === "reading" || kind === "test");
const wasSeenInProve = onceStanding((entries) => standing(entries).some(isSeenInProve), isSeenInProve);

/**
 * What a book doesn't say that whoever reads it later will look for: the complaint, the finding, a proof, the distance at hand-over. It keeps
 * nobody from signing; it is named so that nobody signs without knowing.
 */
export function notWritten(entries: readonly Entry[]): NotWritten[] {
  const missing: NotWritten[] = [];
  if (!complaintOf(entries)) missing.push({ words: "no complaint: what the owner said", stage: "ask" });
  if (!findingOf(entries)) missing.push({ words: "no finding: what was wrong, or nothing", stage: "find" });
  const isProven = factsOf(entries, WarmUpLog).length > 0 || wasSeenInProve(entries);
  if (!isProven)
    missing.push({ words: "nothing proven: no log, test or level after the work", stage: "prove" });
  const isRead = factsOf(entries, Distance).some(
    ({ entry }) => entry.stage === "prove" || entry.stage === "sign",
  );
  if (!isRead) missing.push({ words: "no distance at hand-over: what it has run now", stage: "sign" });
  return missing;
}
