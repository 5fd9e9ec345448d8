/** The second half of a double tap, or a key held too long, falls within so long. */
export const SLIP_MS = 1000;

/** A tap as it was made: where, when, on what, and what that said. */
export interface Tap {
  at: number;
  x: number;
  y: number;
  on: unknown;
  says: string;
}

/**
 * True where a tap lands on something that has come up where another control was tapped a moment ago, or on one that has
 * since come to say something else: it was not meant for it. `isUnderLast` tells whether what is tapped now covers the
 * place of the last tap.
 */
export function isSlip(last: Tap | undefined, next: Tap, isUnderLast: boolean): boolean {
  if (!last || next.at - last.at >= SLIP_MS || !isUnderLast) return false;
  return next.on !== last.on || next.says !== last.says;
}

const CONTROLS =
  'button, a[href], summary, label, [role="button"], [role="option"], [role="menuitem"], [role="tab"], [role="radio"]';
/** Counted things count every tap, though their words change with the count. */
const COUNTS = "[data-counts]";
const SHOWN_MS = 400;

const wordsOf = (control: Element) =>
  control.matches(COUNTS) ? "" : (control.getAttribute("aria-label") ?? control.textContent ?? "").trim();

/** Marks a control that took no tap, for as long as it takes to see it. */
export function showSlip(control: Element): void {
  control.setAttribute("data-slipped", "");
  setTimeout(() => control.removeAttribute("data-slipped"), SHOWN_MS);
}

/** Keeps slips from acting, on the whole page: taps on what just came up under the finger, and keys held down. */
export function guardAgainstSlips(page: Document): () => void {
  let last: Tap | undefined;
  const tap = (event: MouseEvent) => {
    const control = event.target instanceof Element ? event.target.closest(CONTROLS) : null;
    if (!control || !event.isTrusted) return;
    const box = control.getBoundingClientRect();
    const isByKey = event.detail === 0;
    const next: Tap = {
      at: event.timeStamp,
      x: isByKey ? box.x + box.width / 2 : event.clientX,
      y: isByKey ? box.y + box.height / 2 : event.clientY,
      on: control,
      says: wordsOf(control),
    };
    const isUnderLast =
      last !== undefined &&
      last.x >= box.left &&
      last.x <= box.right &&
      last.y >= box.top &&
      last.y <= box.bottom;
    if (isSlip(last, next, isUnderLast)) {
      event.preventDefault();
      event.stopPropagation();
      showSlip(control);
      return;
    }
    last = next;
  };
  const hold = (event: KeyboardEvent) => {
    if (!event.repeat || (event.key !== "Enter" && event.key !== " ")) return;
    const writes = event.target instanceof HTMLElement && event.target.matches("textarea, [contenteditable]");
    const isBlank = event.key === " " && event.target instanceof HTMLInputElement;
    if (!writes && !isBlank) event.preventDefault();
  };
  // Whoever scrolls in between has looked.
  const look = () => {
    last = undefined;
  };
  page.addEventListener("wheel", look, { capture: true, passive: true });
  page.addEventListener("touchmove", look, { capture: true, passive: true });
  page.addEventListener("click", tap, true);
  page.addEventListener("keydown", hold, true);
  return () => {
    page.removeEventListener("wheel", look, true);
    page.removeEventListener("touchmove", look, true);
    page.removeEventListener("click", tap, true);
    page.removeEventListener("keydown", hold, true);
  };
}
