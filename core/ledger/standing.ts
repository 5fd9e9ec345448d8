import type { Entry } from "./entry.ts";

/** An entry that counts; `order` is the place in the book of the entry it goes back to through corrections. */
export type StandingEntry = Entry & { order: number };

/** True where a correction carries no figures, so that it strikes the named entry out. */
export function isStrike(entry: Entry): boolean {
  if (!entry.corrects) return false;
  if (entry.out !== undefined || entry.in !== undefined || entry.value !== undefined) return false;
  return entry.kind === "movement" || entry.kind === "reading" || (!entry.text && !entry.data);
}

/** Ids of the entries that a later one corrects: they stay readable and no longer count. */
export function correctedIds(entries: readonly Entry[]): Set<string> {
  return new Set(entries.flatMap((entry) => (entry.corrects ? [entry.corrects] : [])));
}

/**
 * The entries that count, in the order in which what they tell happened: corrected ones and strikes left out, a
 * correction standing where the entry it corrects stood. Where two corrections name one entry, the later one counts.
 */
export function standing(entries: readonly Entry[]): StandingEntry[] {
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  const lastCorrection = new Map<string, Entry>();
  for (const entry of entries) {
    if (!entry.corrects) continue;
    const earlier = lastCorrection.get(entry.corrects);
    if (!earlier || earlier.seq < entry.seq) lastCorrection.set(entry.corrects, entry);
  }
  const rootSeq = (entry: Entry): number => {
    let root = entry;
    for (let hops = 0; root.corrects && hops < entries.length; hops++)
      root = byId.get(root.corrects) ?? { ...root, corrects: undefined };
    return root.seq;
  };
  return entries
    .filter((entry) => !lastCorrection.has(entry.id))
    .filter((entry) => !entry.corrects || lastCorrection.get(entry.corrects) === entry)
    .filter((entry) => !isStrike(entry))
    .map((entry) => ({ ...entry, order: rootSeq(entry) }))
    .sort((a, b) => a.order - b.order || a.seq - b.seq);
}
