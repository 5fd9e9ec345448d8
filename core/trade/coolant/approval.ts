import type { Verdict } from "../../kernel/verdict/index.ts";

/** A list as it is written, cut where people cut lists; spacing, dashes and case say nothing, a stroke is part of a name. */
const namesIn = (list: string) =>
  list
    .split(/[,;\n]|\s(?:and|or)\s/i)
    .map((name) => ({ name: name.trim(), plain: name.toLowerCase().replace(/[\s\-_]+/g, "") }))
    .filter(({ plain }) => plain !== "");

/**
 * Whether a coolant carries the approval that a card asks for, by what its can says. Any one of several that the card names
 * is enough. A can that doesn't say so is not called wrong: nobody has seen it.
 * @param asked What the card asks for, names apart by commas; empty where it asks for none.
 * @param carried What the can says, written alike.
 */
export function approvalSaid(
  asked: string,
  carried: string,
): { verdict: Verdict; because: string } | undefined {
  const wanted = namesIn(asked);
  if (wanted.length === 0) return undefined;
  const has = namesIn(carried);
  const found = wanted.find(({ plain }) => has.some((each) => each.plain === plain));
  if (found) return { verdict: "pass", because: `Its can names ${found.name}, which the card asks for.` };
  const names = wanted.map(({ name }) => name).join(" or ");
  if (has.length === 0)
    return { verdict: "not-seen", because: `The card asks for ${names}: read whether the can names it.` };
  return {
    verdict: "fail",
    because: `The card asks for ${names}; its can names ${has.map(({ name }) => name).join(", ")}.`,
  };
}
