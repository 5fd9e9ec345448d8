import { Check, X } from "lucide-react";
import { struck } from "../../../core/book/acts/index.ts";
import type { NoParts, Said } from "../../../core/book/facts/index.ts";
import type { PartState } from "../../../core/book/parts/index.ts";
import { Button } from "../../ui/Button.tsx";
import { dateOf } from "../../ui/dates.ts";
import { PictureList } from "../pictures/Pictures.tsx";
import { useJob } from "../stage/context.ts";
import { OutOfItsBox } from "./OutOfItsBox.tsx";

/** What was booked here can be taken back here. */
function TakeBack({ entryId, what, label }: { entryId: string; what: string; label: string }) {
  const { book, mayBook } = useJob();
  if (!mayBook) return null;
  return (
    <Button
      weight="quiet"
      className="px-2"
      data-undoes
      aria-label={`${label}: ${what}`}
      onClick={() => book(struck(entryId, "decision"))}
    >
      {label}
    </Button>
  );
}

/** The parts of this job, and whether each was looked at out of its box. */
export function ChosenParts({
  parts,
  none,
}: {
  parts: PartState[];
  none: Said<NoParts>["entry"] | undefined;
}) {
  const { page, timeZone, book, mayBook } = useJob();
  return (
    <section aria-labelledby="parts">
      <h3 id="parts" className="mb-2 text-xl">
        For this job
      </h3>
      {parts.length === 0 && (
        <p className="flex flex-wrap items-center gap-3 text-ink-2">
          {none ? "No parts needed." : "Nothing chosen yet."}
          {none && mayBook && (
            <Button weight="quiet" data-undoes onClick={() => book(struck(none.id, "decision"))}>
              Take it back
            </Button>
          )}
        </p>
      )}
      <ul className="border-ink border-t-2">
        {parts.map((part) => (
          <li key={part.entryId} className="flex flex-wrap items-center gap-4 border-rule border-b py-3">
            <span className="min-w-48 flex-1">
              <span className="block font-bold text-lg">{part.words}</span>
              <span className="text-ink-2">
                {part.grade}, {part.supplier}
              </span>
              <TakeBack entryId={part.entryId} what={part.words} label="Not this one" />
            </span>
            <PictureList of={part.entryId} />
            {part.checked ? (
              <span className="inline-flex flex-wrap items-center gap-2">
                <Check aria-hidden="true" />
                <span>
                  here, out of the box, undamaged
                  <span className="block text-ink-2 text-sm">
                    {page.names[part.checked.by]}, {dateOf(part.checked.at, timeZone)}
                  </span>
                </span>
                <TakeBack entryId={part.checked.entryId} what={part.words} label="Untick it" />
              </span>
            ) : part.refused ? (
              <span className="inline-flex flex-wrap items-center gap-2">
                <X aria-hidden="true" />
                <span>
                  refused: {part.refused.because}
                  <span className="block text-ink-2 text-sm">
                    {page.names[part.refused.by]}, {dateOf(part.refused.at, timeZone)}
                  </span>
                </span>
                <TakeBack entryId={part.refused.entryId} what={part.words} label="Take it back" />
              </span>
            ) : mayBook ? (
              <OutOfItsBox part={part} />
            ) : (
              <span className="text-ink-2">not looked at yet</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
