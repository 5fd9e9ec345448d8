import type { EntryDraft } from "../entry/index.ts";
import {
  Bypass,
  dataOf,
  FitCheck,
  Got,
  KnownTorque,
  MOVED_WORDS,
  MovedOver,
  SEEN_WORDS,
  SeenApart,
  TaskDone,
  WireOn,
} from "../facts/index.ts";

/** Something that was looked at because it was in the open anyway; `wrong` is what was seen of it. */
export const sawApart = (what: string, as: SeenApart["as"], wrong = ""): EntryDraft => ({
  kind: "note",
  item: what,
  text: [wrong.trim(), SEEN_WORDS[as]].filter(Boolean).join("; "),
  data: dataOf(SeenApart, { what, as }),
});

/** What was to get is here, by the line that asked for it. */
export const cameIn = (words: string, line: string): EntryDraft => ({
  kind: "note",
  item: words,
  text: "is here",
  data: dataOf(Got, { line }),
});

/** A small thing of the old part, and what became of it. */
export const movedOver = (
  part: { entryId: string; words: string },
  what: string,
  how: MovedOver["how"],
): EntryDraft => ({
  kind: "note",
  item: what,
  text: `${MOVED_WORDS[how]}, ${part.words}`,
  data: dataOf(MovedOver, { part: part.entryId, what, how }),
});

/** Something to do beside the order of work is done. */
export const didTask = (task: { entryId: string; words: string }): EntryDraft => ({
  kind: "note",
  item: task.words,
  text: "done",
  data: dataOf(TaskDone, { task: task.entryId }),
});

/** A check of what goes back, right or not; `words` are those of the check as it was seen. */
export const checkedFit = (check: string, verdict: FitCheck["verdict"], words: string): EntryDraft => ({
  kind: "note",
  text: words,
  data: dataOf(FitCheck, { check, verdict }),
});

/** A wire of the new fan is on. */
export const putWireOn = (wire: string): EntryDraft => ({
  kind: "note",
  item: "wire",
  text: `${wire} is on`,
  data: dataOf(WireOn, { wire }),
});

/** How tight something is by the maker's book, N·m, kept for the model. */
export const knownTorque = (item: string, nm: number): EntryDraft => ({
  kind: "note",
  item,
  data: dataOf(KnownTorque, { nm }),
});

/** Something is bypassed for now, or is itself again. */
export const bypassed = (item: string, does: Bypass["does"]): EntryDraft => ({
  kind: "decision",
  item,
  text: does === "off" ? "bypass off again" : "bypassed for now",
  data: dataOf(Bypass, { does }),
});

/** A note that nothing else is told from. */
export const noted = (text: string): EntryDraft => ({ kind: "note", text });
