import { type Entry, standing } from "../../book/entry/index.ts";
import type { System } from "../../kernel/units/index.ts";
import { type Duty, dutiesOf, openItems, type ProofRow, type ProvenCar } from "../../state/index.ts";

/** Nobody says in fewer letters why a job may go as it is. */
export const LEAST_REASON = 10;

export interface MaySign {
  /** Nothing was ever written: there is nothing to sign. */
  isEmpty: boolean;
  /** What holds the books open, in the shop's units. */
  open: Duty[];
  /** The same as it is kept and compared, whatever units anybody sees it in. */
  openWords: string[];
  /** What only asks for a word: the signature goes without it. */
  missing: Duty[];
  unproven: ProofRow[];
  /** Something is open or wasn't seen: the signature takes a reason. */
  wantsReason: boolean;
}

/** Whether a job may be signed by its book, and what with: asked by the page before it signs and by the server as it does. */
export function maySign(entries: readonly Entry[], car: ProvenCar, system: System = "metric"): MaySign {
  const duties = dutiesOf(entries, car, system);
  const open = duties.filter(({ asks }) => asks === "balance");
  const unproven = duties.filter(({ asks }) => asks === "proof").flatMap(({ proof }) => proof ?? []);
  return {
    isEmpty: standing(entries).length === 0,
    open,
    openWords: openItems(entries).map(({ words }) => words),
    missing: duties.filter(({ asks }) => asks === "word"),
    unproven,
    wantsReason: open.length + unproven.length > 0,
  };
}

/** What is wrong with a reason, in one sentence; nothing where it will do, or where none is wanted. */
export function reasonTrouble({ open, wantsReason }: MaySign, reason: string): string | undefined {
  if (!wantsReason || reason.trim().length >= LEAST_REASON) return undefined;
  const what = open.length > 0 ? "Something is open" : "Not everything was seen";
  return `${what}, so say why it may go, in ${LEAST_REASON} letters or more.`;
}
