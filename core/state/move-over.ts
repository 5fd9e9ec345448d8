import type { Entry } from "../book/entry/index.ts";
import { factsOf, type MovedHow, MovedOver } from "../book/facts/index.ts";
import { type PartState, partKind, wantedParts } from "../book/parts/index.ts";

/** What sits on an old part and is wanted on the new one. */
const MOVES = {
  radiator: ["bushes", "pegs", "nuts and clips", "brackets", "hose hook", "drain", "sensor or switch", "cap"],
  fan: ["plug and its bracket", "resistor or module", "spring nuts", "loom clips"],
  cooler: ["bushes", "brackets", "fittings"],
} as const;

export interface MoveOver {
  part: PartState;
  rows: { what: string; how?: MovedHow }[];
  /** What nobody has said anything of: on the old part still, for all that is known. */
  left: string[];
}

/** What is to be moved over to each new part, with what was. Parts that nothing is moved to are left out. */
export function moveOver(entries: readonly Entry[]): MoveOver[] {
  const said = factsOf(entries, MovedOver);
  return wantedParts(entries).flatMap((part) => {
    const kind = partKind(part.item);
    if (!kind) return [];
    const rows = MOVES[kind].map((name) => {
      const last = said.findLast(({ fact }) => fact.part === part.entryId && fact.what === name);
      return { what: name, ...(last ? { how: last.fact.how } : {}) };
    });
    return [{ part, rows, left: rows.filter(({ how }) => !how).map((row) => row.what) }];
  });
}
