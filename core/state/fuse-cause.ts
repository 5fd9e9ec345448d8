import type { Entry } from "../book/entry/index.ts";
import {
  Finding,
  FUSE_CAUSES,
  FuseCause,
  type FuseCauseId,
  factsOf,
  lastFact,
  TestOutcome,
} from "../book/facts/index.ts";

const FUSE = "fuse";
/** Findings that are themselves why a fuse blew. */
const BLOWS_IT: ReadonlySet<string> = new Set(["motor", "motor-stiff", "module", "fan-plug"]);

const BLOWN = "(?:blown|blew|blows|popped|burnt|burned)";
/** A finding in somebody's own words. */
const SAYS_BLOWN = new RegExp(`\\bfuse\\b.*\\b${BLOWN}\\b|\\b${BLOWN}\\b.*\\bfuse\\b`, "i");
const DENIES = /\b(?:not|no|never)\b|n['’]t\b/i;

/** Whether a fuse is known to have blown: it is what was found, by its name or in words, or a meter said so last. */
function isBlown(entries: readonly Entry[]): boolean {
  const found = lastFact(entries, Finding);
  if (found?.fact.hypothesis === FUSE) return true;
  const words = found?.fact.hypothesis === undefined ? (found?.entry.text ?? "") : "";
  if (SAYS_BLOWN.test(words) && !DENIES.test(words)) return true;
  const tested = factsOf(entries, TestOutcome).findLast(({ fact }) => fact.test === "fuses");
  return tested?.fact.outcome === "blown";
}

export interface BlownFuse {
  /** What blew it, where somebody said so. */
  cause?: FuseCauseId;
  words?: string;
  /** There is a finding, and nothing of it says what blew the fuse. */
  isAsked: boolean;
}

/** A fuse that blew, with what blew it where that is said; nothing where none blew. */
export function fuseCause(entries: readonly Entry[]): BlownFuse | undefined {
  if (!isBlown(entries)) return undefined;
  const said = lastFact(entries, FuseCause)?.fact;
  if (said) return { cause: said.cause, words: FUSE_CAUSES[said.cause], isAsked: false };
  const found = lastFact(entries, Finding)?.fact;
  // Before there is a finding the next tests ask for it by themselves.
  const isAsked = found !== undefined && !BLOWS_IT.has(found.hypothesis ?? "");
  return { isAsked };
}
