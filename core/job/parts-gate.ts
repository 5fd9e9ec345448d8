import { factsOf, OpenedWithout } from "../facts/index.ts";
import type { Entry } from "../ledger/index.ts";
import { type ChosenPartLine, chosenParts } from "./parts.ts";

/** What a part out of its box is looked over for, before anybody opens the car for it. */
const CHECKS: { parts: RegExp; look: readonly string[] }[] = [
  {
    parts: /radiator|cooler|condenser/,
    look: [
      "no freight damage",
      "right variant and year",
      "pegs straight",
      "ports capped",
      "drain tight",
      "rinsed",
      "nothing missing",
    ],
  },
  {
    parts: /fan|motor|shroud/,
    look: ["no freight damage", "right variant and year", "plug the same", "blades free", "nothing missing"],
  },
];
const ANY = ["no freight damage", "right variant and year", "nothing missing"] as const;

/** What to look at on a part of that name. */
export const looksFor = (item: string): readonly string[] =>
  CHECKS.find(({ parts }) => parts.test(item.toLowerCase()))?.look ?? ANY;

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
