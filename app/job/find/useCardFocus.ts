import { type RefObject, useLayoutEffect, useRef } from "react";

/** Whether focus was in the card that has just gone. */
let wasInCard = false;

/**
 * Where focus was in a card that gave way to this one it goes on at this one's heading, so that a test is answered, read
 * and answered again by keyboard alone. `isAsked` where somebody asked for this card from elsewhere.
 */
export function useCardFocus(isAsked: boolean): {
  card: RefObject<HTMLElement | null>;
  heading: RefObject<HTMLHeadingElement | null>;
} {
  const card = useRef<HTMLElement>(null);
  const heading = useRef<HTMLHeadingElement>(null);
  useLayoutEffect(() => {
    if (isAsked || wasInCard) heading.current?.focus();
    wasInCard = false;
    const here = card.current;
    return () => {
      wasInCard = here?.contains(document.activeElement) ?? false;
    };
  }, [isAsked]);
  return { card, heading };
}
