import { Check } from "lucide-react";
import { CheckedPart, dataOf, factOf, type NoParts, type Said } from "../../../core/facts/index.ts";
import type { ChosenPartLine } from "../../../core/job/index.ts";
import { Button } from "../../ui/Button.tsx";
import { dateOf } from "../../ui/dates.ts";
import { useJob } from "../context.ts";
import { sayTick } from "../tick-id.ts";

/** What was booked here can be taken back here. */
function TakeBack({ entryId, what, label }: { entryId: string; what: string; label: string }) {
  const { book, mayBook } = useJob();
  if (!mayBook) return null;
  return (
    <Button
      weight="quiet"
      className="px-2"
      aria-label={`${label}: ${what}`}
      onClick={() => book({ kind: "decision", corrects: entryId })}
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
  parts: ChosenPartLine[];
  none: Said<NoParts>["entry"] | undefined;
}) {
  const { page, entries, timeZone, book, mayBook } = useJob();
  return (
    <section aria-labelledby="parts">
      <h3 id="parts" className="mb-2 text-xl">
        For this job
      </h3>
      {parts.length === 0 && (
        <p className="flex flex-wrap items-center gap-3 text-ink-2">
          {none ? "No parts needed." : "Nothing chosen yet."}
          {none && mayBook && (
            <Button weight="quiet" onClick={() => book({ kind: "decision", corrects: none.id })}>
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
            ) : (
              <Button
                disabled={!mayBook}
                onClick={() =>
                  book(
                    {
                      kind: "decision",
                      item: part.item,
                      ...(part.place ? { place: part.place } : {}),
                      text: "here, out of the box, undamaged",
                      data: dataOf(CheckedPart, { part: part.entryId }),
                    },
                    [
                      sayTick(page.job.id, entries, `checked:${part.entryId}`, (entry) => {
                        const said = factOf(entry)?.fact;
                        return said instanceof CheckedPart && said.part === part.entryId;
                      }),
                    ],
                  )
                }
              >
                Here, out of the box, undamaged
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
