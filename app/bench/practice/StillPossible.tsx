import { useEffect, useMemo, useRef } from "react";
import { posterior } from "../../../core/trade/diagnosis/index.ts";
import { hypothesisOf } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { modelNow, type PracticeRound } from "../../../core/trade/practice/index.ts";

const MOST_ROWS = 6;

/** What Find would still believe by what was seen: help, and counted as such. */
export function StillPossible({ round }: { round: PracticeRound }) {
  const rows = useMemo(() => {
    const belief = posterior(modelNow(round), round.evidence);
    const left = Object.entries(belief).filter(([id]) => !round.ruledOut.includes(id));
    const all = left.reduce((sum, [, share]) => sum + share, 0);
    return left
      .map(([id, share]): [string, number] => [id, all > 0 ? share / all : 0])
      .sort(([, a], [, b]) => b - a)
      .slice(0, MOST_ROWS);
  }, [round]);
  const heading = useRef<HTMLHeadingElement>(null);
  // It has come in the place of the button that asked for it.
  useEffect(() => {
    if (document.activeElement === document.body) heading.current?.focus();
  }, []);
  return (
    <section aria-labelledby="possible">
      <h2 id="possible" ref={heading} tabIndex={-1} className="flex justify-between text-base text-ink-2">
        <span>Still possible, one fault alone</span>
        <span>%</span>
      </h2>
      <ul>
        {rows.map(([id, share]) => (
          <li key={id} className="flex justify-between gap-3 border-rule border-b py-1">
            <span>{hypothesisOf(id)?.name}</span>
            <span className="figure">{Math.round(share * 100)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
