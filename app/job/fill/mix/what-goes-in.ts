import { approvalSaid, KINDS, type Kind } from "../../../../core/coolant/index.ts";
import type { CoolantOnShelf } from "../../../../server/shelf/read-shelf.ts";

/** What the card says it takes. */
export interface CardsCoolant {
  coolantKind: string;
  coolantProduct: string;
  coolantApproval: string;
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
  const onShelf = shelf.find(({ item }) => item === label);
  const isCardsLabel =
    label === "card's" || (onShelf !== undefined && isSame(onShelf.item, card.coolantProduct));
  const product = onShelf?.item ?? (isCardsLabel ? card.coolantProduct : "");
  const can = onShelf ?? shelf.find(({ item }) => product !== "" && isSame(item, product));
  const known = isCardsLabel && !onShelf ? card.coolantKind : (onShelf?.kind ?? card.coolantKind);
  const kind = chosen ?? (isKind(known) ? known : undefined);
  const approval = approvalSaid(card.coolantApproval, can?.approval ?? "");
  return { ...(kind && { kind }), ...(product && { product }), isCardsLabel, ...(approval && { approval }) };
}
