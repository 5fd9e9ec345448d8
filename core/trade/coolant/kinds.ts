/** Kinds of coolant by what keeps the metal from rusting; never by colour. */
export const KINDS = ["iat", "oat", "hoat", "si-oat", "p-oat"] as const;
export type Kind = (typeof KINDS)[number];
