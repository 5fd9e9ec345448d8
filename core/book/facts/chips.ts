import type { EntryDraft } from "../entry/index.ts";
import type { Loose } from "./fact.ts";

/** The ids of chips that were kept by their words once; words that no chip has any more say nothing. */
export function idsOfWords<Id extends string>(words: Readonly<Record<Id, string>>, said: unknown): Id[] {
  const all = Object.entries(words) as [Id, string][];
  return (Array.isArray(said) ? said : []).flatMap((chip) => {
    const found = all.find(([, each]) => each === chip);
    return found ? [found[0]] : [];
  });
}

/** The chips' words of an entry from before facts had names, where it answers that question. */
export function looseChips({ chips }: Loose, entry: EntryDraft, question: string): string[] {
  return entry.item === question && Array.isArray(chips)
    ? chips.filter((chip) => typeof chip === "string")
    : [];
}
