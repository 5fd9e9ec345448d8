import type { EntryDraft } from "../entry/index.ts";
import {
  CheckedPart,
  dataOf,
  Guarantee,
  guaranteeWords,
  OpenedWithout,
  RefusedPart,
} from "../facts/index.ts";
import { at } from "./about.ts";

/** A part that was chosen, by the line that chose it. */
export interface Chosen {
  entryId: string;
  item: string;
  place?: string;
}

const about = ({ item, place }: Chosen) => ({ kind: "decision" as const, item, ...at(place) });

/** A chosen part is here, out of its box and sound; `seen` is what was looked at. `afterAll` where it was refused before. */
export const acceptedPart = (
  part: Chosen,
  seen: readonly string[] = [],
  { afterAll = false }: { afterAll?: boolean } = {},
): EntryDraft => ({
  ...about(part),
  text: `here, out of the box, undamaged${seen.length > 0 ? `: ${seen.join(", ")}` : ""}`,
  data: dataOf(CheckedPart, {
    part: part.entryId,
    ...(seen.length > 0 && { seen: [...seen] }),
    ...(afterAll && { afterAll }),
  }),
});

/** A chosen part is not taken, and why. */
export const refusedPart = (part: Chosen, because: string): EntryDraft => ({
  ...about(part),
  text: `refused: ${because}`,
  data: dataOf(RefusedPart, { part: part.entryId, because }),
});

/** The car is opened though parts are not here, and why. */
export const openedWithout = (parts: readonly Chosen[], because: string): EntryDraft => ({
  kind: "decision",
  item: "opened without the part",
  text: because,
  data: dataOf(OpenedWithout, { because, parts: parts.map(({ entryId }) => entryId) }),
});

/** For how long the shop answers for a part and for fitting it, days. */
export const guaranteed = (
  { entryId, words }: { entryId: string; words: string },
  days: { partDays: number; labourDays: number },
): EntryDraft => ({
  kind: "decision",
  item: `guarantee on the ${words}`,
  text: guaranteeWords(days),
  data: dataOf(Guarantee, { part: entryId, ...days }),
});
