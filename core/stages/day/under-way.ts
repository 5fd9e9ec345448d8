import { isOwners } from "../../book/admit/index.ts";
import { type Entry, standing } from "../../book/entry/index.ts";
import type { Piece } from "./piece.ts";

/** Whoever wrote a line so lately at a stage is at that stage's work still, milliseconds. */
const AT_IT_MS = 20 * 60_000;

/** Pieces with whoever is at the first of the stage that the last line was written at, where that is not long ago. */
export function underWay(pieces: readonly Piece[], entries: readonly Entry[], nowMs: number): Piece[] {
  // What an owner said or was told keeps nobody's hands at a car.
  const last = standing(entries).findLast((entry) => !isOwners(entry));
  if (!last || nowMs - Date.parse(last.at) > AT_IT_MS) return [...pieces];
  const place = pieces.findIndex(({ stage, notBefore, isHeld, after }) => {
    const isFree = !isHeld && !(notBefore && Date.parse(notBefore.at) > nowMs);
    return stage === last.stage && isFree && !after.some((id) => pieces.some((each) => each.id === id));
  });
  return pieces.map((piece, index) => (index === place ? { ...piece, by: last.by } : piece));
}
