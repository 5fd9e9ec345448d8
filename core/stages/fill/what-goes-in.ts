import type { CoolingCard } from "../../trade/car/index.ts";
import { approvalSaid, KINDS, type Kind } from "../../trade/coolant/index.ts";

/** What the card says it takes. */
export type CardsCoolant = Pick<CoolingCard, "coolantKind" | "coolantProduct" | "coolantApproval">;

/** A coolant as it stands on the shop's shelf. */
export interface CoolantOnShelf {
  item: string;
  kind: string;
  approval: string;
}

export interface WhatGoesIn {
  kind?: Kind;
  /** Its name, where anybody knows it. */
  product?: string;
  isCardsLabel: boolean;
  approval?: ReturnType<typeof approvalSaid>;
}

const isSame = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();
const isKind = (text: string): text is Kind => KINDS.some((each) => each === text);

/** How a coolant of the shelf is chosen: one name may stand there with two kinds, and none is mistaken for the card's. */
export const shelfLabel = ({ item, kind }: CoolantOnShelf) => `shelf: ${item}, ${kind}`;

/** The card's own coolant, as it stands on the shelf. */
export const isCards = ({ item, kind }: CoolantOnShelf, card: CardsCoolant) =>
  isSame(item, card.coolantProduct) && kind === card.coolantKind;

/**
 * The coolant that is chosen to go in: the card's own, one of the shelf by its name, or another that nobody has named. A
 * kind that was chosen beside it counts before the one on the shelf's list: whoever holds the can has read it.
 */
export function whatGoesIn(
  label: string,
  chosen: Kind | undefined,
  card: CardsCoolant,
  shelf: readonly CoolantOnShelf[],
): WhatGoesIn {
  const onShelf = shelf.find((coolant) => shelfLabel(coolant) === label);
  const isCardsLabel = label === "card's" || (onShelf !== undefined && isCards(onShelf, card));
  const product = onShelf?.item ?? (isCardsLabel ? card.coolantProduct : "");
  const can = onShelf ?? shelf.find((coolant) => isCards(coolant, card));
  const known = onShelf?.kind ?? card.coolantKind;
  const kind = chosen ?? (isKind(known) ? known : undefined);
  const approval = approvalSaid(card.coolantApproval, (isCardsLabel || onShelf ? can?.approval : "") ?? "");
  return { ...(kind && { kind }), ...(product && { product }), isCardsLabel, ...(approval && { approval }) };
}
