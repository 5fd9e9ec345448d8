/** What comes behind a part's name and leaves it that part; anything else makes another of it: a radiator cap is no radiator. */
const STILL = "(?: (?:unit|assembly|pack))?";
const KINDS: [kind: "radiator" | "cooler" | "fan", name: RegExp][] = [
  ["radiator", new RegExp(`\\bradiator${STILL}$`)],
  ["cooler", new RegExp(`\\b(?:cooler|condenser)${STILL}$`)],
  ["fan", new RegExp(`\\b(?:fan|fan motor|motor|shroud)${STILL}$`)],
];

/** Which kind of part a name means, what stands in brackets or behind a comma aside; nothing where it is none of these. */
export function partKind(item: string): "radiator" | "cooler" | "fan" | undefined {
  const name = item
    .toLowerCase()
    .replace(/[(,].*$/, "")
    .trim();
  return KINDS.find(([, pattern]) => pattern.test(name))?.[0];
}
