import { KINDS, type Kind } from "./kinds.ts";

export interface Compatibility {
  verdict: "same" | "shortens-life" | "do-not-mix";
  because: string;
}

const IN_WORDS: Record<Kind, string> = {
  iat: "mineral inhibitors (IAT)",
  oat: "organic acids (OAT)",
  hoat: "organic acids with silicate (HOAT)",
  "si-oat": "organic acids with silicate (Si-OAT)",
  "p-oat": "organic acids with phosphate (P-OAT)",
};

const GELS = "Mineral inhibitors drop out among organic acids: they can gel and block the core. Flush first.";
const DROPS = "Phosphate and silicate drop out together, in hard water most of all. Flush first.";

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** Pairs, in the order of `KINDS`, that form deposits and don't merely spend each other. */
const NEVER: Readonly<Record<string, string>> = {
  "iat oat": GELS,
  "iat si-oat": GELS,
  "iat p-oat": GELS,
  "hoat p-oat": DROPS,
  "si-oat p-oat": DROPS,
};

/**
 * What becomes of two kinds of coolant in one system, by the technology of their inhibitors. Unlike kinds are never called
 * safe: at best they spend each other sooner. The maker's own word on an approval comes first. Throws `RangeError` on a
 * kind that is none. Source: general trade practice; colour says nothing.
 */
export function compatibility(a: Kind, b: Kind): Compatibility {
  const places = [a, b].map((kind) => {
    const place = KINDS.indexOf(kind);
    if (place < 0) throw new RangeError(`“${String(kind)}” is no kind of coolant: ${KINDS.join(", ")} are.`);
    return place;
  });
  if (a === b)
    return { verdict: "same", because: `Both have ${IN_WORDS[a]}. The maker's approval still decides.` };
  const pair = places
    .sort((x, y) => x - y)
    .map((place) => KINDS[place])
    .join(" ");
  const never = NEVER[pair];
  if (never) return { verdict: "do-not-mix", because: never };
  return {
    verdict: "shortens-life",
    because: `${capital(IN_WORDS[a])} and ${IN_WORDS[b]} spend each other: it lasts no longer than the shorter-lived, and neither approval holds.`,
  };
}
