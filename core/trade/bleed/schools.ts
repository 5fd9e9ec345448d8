/** The schools of getting air out. Apart from their steps, so that what only names them loads no more. */
export const SCHOOLS = [
  "electric-pump",
  "vacuum",
  "bleed-screw",
  "open-cap",
  "expansion-tank",
  "fill-and-recheck",
] as const;
export type School = (typeof SCHOOLS)[number];

/** What has to be seen before the air is called out, in the order in which it is looked for. */
export const SIGNS = ["level", "bubbles", "heater", "hoses", "fan", "gurgle", "cold-level"] as const;
export type Sign = (typeof SIGNS)[number];

/** The upper hose as the hand finds it: soft and cool, or not. */
export const UPPER_HOSES = ["soft-and-cool", "hard-or-hot"] as const;
export type UpperHose = (typeof UPPER_HOSES)[number];
