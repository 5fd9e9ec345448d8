import { factsOf, OpenedWithout } from "../facts/index.ts";
import type { Entry } from "../ledger/index.ts";
import { partKind } from "./part-kind.ts";
import { type ChosenPartLine, chosenParts } from "./parts.ts";

const BODY = [
  "no freight damage",
  "right variant and year",
  "pegs straight",
  "ports capped",
  "drain tight",
  "rinsed",
  "nothing missing",
] as const;
/** What a part out of its box is looked over for, before anybody opens the car for it. */
const CHECKS = {
  radiator: BODY,
  cooler: BODY,
  fan: ["no freight damage", "right variant and year", "plug the same", "blades free", "nothing missing"],
} as const;
const ANY = ["no freight damage", "right variant and year", "nothing missing"] as const;

/** What to look at on a part of that name. */
export function looksFor(item: string): readonly string[] {
  const kind = partKind(item);
  return kind ? CHECKS[kind] : ANY;
}

export interface Gate {
  /** Chosen parts that nobody has accepted out of their boxes. */
  waitsFor: ChosenPartLine[];
  /** Why the car is opened all the same, as it was booked. */
  because?: string;
  isOpen: boolean;
}

/** Whether the car may be opened: every chosen part is here and accepted, or somebody wrote down why not. */
export function partsGate(entries: readonly Entry[]): Gate {
  const waitsFor = chosenParts(entries).filter(({ checked }) => !checked);
  const because = factsOf(entries, OpenedWithout).at(-1)?.fact.because;
  return {
    waitsFor,
    ...(because ? { because } : {}),
    isOpen: waitsFor.length === 0 || because !== undefined,
  };
}
