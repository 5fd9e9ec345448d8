/** What comes behind a part's name and leaves it that part; anything else makes another of it: a radiator cap is no radiator. */
const STILL = "(?: (?:unit|assembly|pack))?";
const KINDS: [kind: "radiator" | "cooler" | "fan", name: RegExp][] = [
  ["radiator", new RegExp(`\\bradiator${STILL}$`)],
  ["cooler", new RegExp(`\\b(?:cooler|condenser)${STILL}$`)],
  ["fan", new RegExp(`\\b(?:fan|fan motor|motor|shroud)${STILL}$`)],
];

const bare = (item: string) =>
  item
    .toLowerCase()
    .replace(/[(,].*$/, "")
    .trim();

/** The name that a part goes by on the car: a fan assembly that was bought goes in as the fan. A fan motor is another part. */
export const plainPart = (item: string): string => bare(item).replace(new RegExp(`${STILL}$`), "");

/** Which kind of part a name means, what stands in brackets or behind a comma aside; nothing where it is none of these. */
export function partKind(item: string): "radiator" | "cooler" | "fan" | undefined {
  const name = bare(item);
  return KINDS.find(([, pattern]) => pattern.test(name))?.[0];
}
