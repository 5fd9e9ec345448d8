import type { FitLine, FitResult } from "../../../../core/trade/fit/index.ts";
import { FitVerdict } from "./FitVerdict.tsx";

const HEADS: Record<FitResult["fits"], (extraMinutes: number) => string> = {
  unknown: () => "Nothing measured on either yet",
  stops: () => "It doesn't fit",
  "not all measured": () => "Not all of it is measured yet",
  same: () => "The same in all that was measured",
  "with remedies": (minutes) => `It fits with ${minutes} min more, as far as it is measured`,
};

/** What comes of the comparison, line by line. */
export function FitLines({
  lines,
  result: { fits, extraMinutes },
  trouble,
}: {
  lines: readonly FitLine[];
  result: FitResult;
  trouble: string | undefined;
}) {
  return (
    <section aria-labelledby="fits" aria-live="polite">
      <h4 id="fits" className="mb-1 font-bold text-lg">
        {HEADS[fits](extraMinutes)}
      </h4>
      {trouble && <p className="border-ink border-l-4 pl-3 font-bold">{trouble}</p>}
      <ul className="border-ink border-t-2">
        {lines.map(({ what, verdict, old: was, new: is, remedy, extraMinutes: minutes, part }) => (
          <li key={what} className="grid gap-x-4 border-rule border-b py-2 sm:grid-cols-[9rem_1fr]">
            <FitVerdict verdict={verdict} />
            <span>
              <span className="font-bold">{what}</span>: {was}; new: {is}.
              {remedy && <span className="block">{remedy}</span>}
              {(minutes > 0 || part) && (
                <span className="block text-ink-2">
                  {[minutes > 0 ? `${minutes} min more` : "", part ? `to buy: ${part}` : ""]
                    .filter(Boolean)
                    .join(" · ")}
                </span>
              )}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
