import { type RefObject, useEffect, useRef } from "react";

/** Fields are left out: a key pressed next would be typed into one. So is what takes an act back: the next Enter would. */
const CONTROLS = ":is(button:not(:disabled), a[href], summary):not([data-undoes])";
const PART = "section[aria-labelledby]";

/**
 * Where what had the focus is gone or can't be used any more, because it was booked, focus goes to the row after it in
 * its part of the stage, else the one before, else to what is in hand, else to the stage's heading: never to nowhere.
 */
export function useKeepFocus(within: RefObject<HTMLElement | null>, entries: unknown): void {
  const last = useRef<Had>(undefined);
  useEffect(() => {
    const part = within.current;
    if (!part) return;
    const note = (event: FocusEvent) => {
      if (!(event.target instanceof HTMLElement)) return;
      const list = event.target.closest(PART) ?? event.target.closest("ul, ol") ?? event.target;
      last.current = { control: event.target, rows: [...list.querySelectorAll<HTMLElement>(CONTROLS)] };
    };
    // What was thought out anew is drawn when it is known, some time after the line is in the book.
    const drawn = new MutationObserver(() => moveOn(last, part));
    drawn.observe(part, { childList: true, subtree: true });
    part.addEventListener("focusin", note);
    return () => {
      drawn.disconnect();
      part.removeEventListener("focusin", note);
    };
  }, [within]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at whenever the book has changed, which puts controls out of use
  useEffect(() => {
    if (within.current) moveOn(last, within.current);
  }, [entries]);
}

type Had = { control: HTMLElement; rows: HTMLElement[] } | undefined;

function moveOn(last: RefObject<Had>, part: HTMLElement): void {
  const had = last.current;
  if (!had) return;
  const isLost = !had.control.isConnected || had.control.matches(":disabled");
  const isNowhere = document.activeElement === document.body || document.activeElement === had.control;
  if (!isLost || !isNowhere) return;
  last.current = undefined;
  const at = had.rows.indexOf(had.control);
  const isThere = (row: HTMLElement) => row.isConnected && !row.matches(":disabled");
  const next = had.rows.slice(at + 1).find(isThere) ?? had.rows.slice(0, Math.max(at, 0)).findLast(isThere);
  const inHand = part.querySelector<HTMLElement>("[data-in-hand] [tabindex='-1']");
  (next ?? inHand ?? part.querySelector<HTMLElement>("[data-stage-heading]"))?.focus();
}
