import type { ReactNode } from "react";

interface Given {
  size: { width: number; height: number };
  /** What the drawing says, in words. */
  told: string;
  /** How wide it becomes on the page. */
  className?: string;
  /** What it is called where it slides under the thumb instead of shrinking past reading. */
  name?: string;
  children: ReactNode;
}

/** One drawing with what it says in words. */
export function Chart({ size, told, className = "w-full", name, children }: Given) {
  const drawing = (
    <svg viewBox={`0 0 ${size.width} ${size.height}`} className={className} role="img" aria-label={told}>
      {children}
    </svg>
  );
  return name === undefined ? (
    drawing
  ) : (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
    <section tabIndex={0} aria-label={name} className="overflow-x-auto">
      {drawing}
    </section>
  );
}
