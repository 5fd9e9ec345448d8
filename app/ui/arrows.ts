import type { KeyboardEvent } from "react";

const STEPS: Record<string, number> = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 };

/** Arrow keys go through the rows of a list, which `rows` selects; Enter then goes where the row leads. */
export function moveFocus(event: KeyboardEvent<HTMLElement>, rows: string): void {
  const all = [...event.currentTarget.querySelectorAll<HTMLElement>(rows)];
  const at = all.indexOf(document.activeElement as HTMLElement);
  const isTyped = document.activeElement instanceof HTMLInputElement;
  // In a field the arrows to the side belong to what is typed.
  const step = isTyped && (event.key === "ArrowLeft" || event.key === "ArrowRight") ? 0 : STEPS[event.key];
  if (!step || all.length === 0 || (at < 0 && !isTyped)) return;
  event.preventDefault();
  const next = Math.min(Math.max(at + step, 0), all.length - 1);
  all[next]?.focus();
}
