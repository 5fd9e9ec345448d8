import { compatibility } from "./compatibility.ts";
import type { Kind } from "./kinds.ts";

/** What people hold right to pour: the maker's own alone, an all-makes one once all of the old is out, or more of the same label. */
export const COOLANT_SCHOOLS = ["maker's only", "all-makes, flushed", "same label"] as const;
export type CoolantSchool = (typeof COOLANT_SCHOOLS)[number];

export interface Poured {
  school: CoolantSchool;
  /** What the card says it takes, and what is to go in. */
  takes: Kind;
  goesIn: Kind;
  /** The label on the can is the one that the card names. */
  isCardsLabel: boolean;
  /** Nothing of the old is left but water. */
  isFlushed: boolean;
}

/**
 * Whether a school would pour this, and why. Kinds that differ are called right by none but where the old is flushed out, and
 * then only by the one that holds with all-makes coolant. Colour is no input. The maker's own word comes first.
 */
export function bySchool({ school, takes, goesIn, isCardsLabel, isFlushed }: Poured): {
  verdict: "pass" | "fail";
  because: string;
} {
  const mix = compatibility(takes, goesIn);
  const no = (because: string) => ({ verdict: "fail" as const, because });
  if (school === "all-makes, flushed")
    return isFlushed
      ? { verdict: "pass", because: "All of the old is out: an all-makes coolant goes in alone." }
      : no("Some of the old is still in it. Flush it fully first, or top up with the same.");
  if (mix.verdict !== "same") return no(mix.because);
  if (!isCardsLabel)
    return no(
      school === "maker's only"
        ? "Another label than the card's: this school takes the maker's own alone."
        : "Another label than what is in it: this school tops up with the same one.",
    );
  return {
    verdict: "pass",
    because:
      school === "maker's only" ? "The card's own coolant." : "The same label as is in it, of the same kind.",
  };
}
