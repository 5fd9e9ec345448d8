import { useState } from "react";

/** The first few are seen at once; the rest are said to be there. */
const FIRST_SEEN = 5;

/** The open balance under its double rule: how many things are open, and every one of them in words. */
export function Balance({ open }: { open: string[] }) {
  const [isWhole, setWhole] = useState(false);
  const rest = open.length - FIRST_SEEN;
  const shown = isWhole ? open : open.slice(0, FIRST_SEEN);
  return (
    <section aria-label="Open balance" className="border-ink border-t-4 border-double px-5 py-3">
      <h3 className="font-bold">{open.length === 0 ? "Balanced" : `Open: ${open.length}`}</h3>
      {open.length === 0 ? (
        <p className="text-ink-2">Everything is accounted for.</p>
      ) : (
        <>
          {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
          <ul tabIndex={0} aria-label="What is open" className="max-h-[38dvh] overflow-y-auto">
            {shown.map((words, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: two things may be open in the same words
              <li key={`${index} ${words}`} className="leading-snug">
                {words}
              </li>
            ))}
          </ul>
          {rest > 0 && (
            <button
              type="button"
              className="min-h-12 font-bold underline underline-offset-4"
              aria-expanded={isWhole}
              onClick={() => setWhole(!isWhole)}
            >
              {isWhole ? "Show fewer" : `and ${rest} more`}
            </button>
          )}
        </>
      )}
    </section>
  );
}
