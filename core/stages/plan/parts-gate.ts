import { type Entry, standing } from "../../book/entry/index.ts";
import { factsOf, OpenedWithout } from "../../book/facts/index.ts";
import { type PartState, partKind, wantedParts } from "../../book/parts/index.ts";

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
  waitsFor: PartState[];
  /** Why the car is opened all the same, as it was booked. */
  because?: string;
  isOpen: boolean;
}

/** Whether the car may be opened: every chosen part is here and accepted, or somebody wrote down why not. */
export function partsGate(entries: readonly Entry[]): Gate {
  const waitsFor = wantedParts(entries).filter(({ checked }) => !checked);
  const reasons = factsOf(entries, OpenedWithout);
  const because = reasons.at(-1)?.fact.because;
  const chosenAt = new Map(standing(entries).map(({ id, order }) => [id, order]));
  // A reason is given for what was awaited then; what was chosen or refused since it does not know of.
  const isExcused = ({ entryId, refused }: PartState) =>
    reasons.some(
      ({ fact, entry }) =>
        (fact.parts?.includes(entryId) ?? (chosenAt.get(entryId) ?? 0) < entry.order) &&
        (chosenAt.get(refused?.entryId ?? "") ?? 0) < entry.order,
    );
  return {
    waitsFor,
    ...(because ? { because } : {}),
    isOpen: waitsFor.every(isExcused),
  };
}
