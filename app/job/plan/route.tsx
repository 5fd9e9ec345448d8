import { Check } from "lucide-react";
import { useState } from "react";
import {
  CheckedPart,
  ChosenPart,
  dataOf,
  factOf,
  GRADES,
  type Grade,
  lastFact,
  NoParts,
} from "../../../core/facts/index.ts";
import { chosenParts } from "../../../core/job/index.ts";
import { useDraft } from "../../shell/drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { dateOf } from "../../ui/dates.ts";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../context.ts";
import { sayTick } from "../tick-id.ts";
import { Cautions, Work } from "../Work.tsx";

function ChoosePart() {
  const { page, book, mayBook } = useJob();
  const [item, setItem] = useDraft(`part:${page.job.id}`);
  const [place, setPlace] = useDraft(`part-place:${page.job.id}`);
  const [supplier, setSupplier] = useDraft(`supplier:${page.job.id}`);
  const [grade, setGrade] = useDraft(`grade:${page.job.id}`);
  const [isAsked, setAsked] = useState(false);
  const choose = () => {
    if (!item.trim() || !supplier.trim() || !grade) return setAsked(true);
    const where = place.trim() ? { place: place.trim().toLowerCase() } : {};
    book({
      kind: "decision",
      item: item.trim().toLowerCase(),
      ...where,
      text: `${grade}, ${supplier.trim()}`,
      data: dataOf(ChosenPart, { grade: grade as Grade, supplier: supplier.trim() }),
    });
    setItem("");
    setPlace("");
    setSupplier("");
    setGrade("");
    setAsked(false);
  };
  return (
    <section aria-labelledby="choose" className="flex flex-col gap-4">
      <h3 id="choose" className="text-xl">
        Choose a part
      </h3>
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label="Part"
          value={item}
          maxLength={120}
          placeholder="radiator"
          error={isAsked && !item.trim() ? "Name the part." : undefined}
          onChange={(event) => setItem(event.target.value)}
          disabled={!mayBook}
        />
        <TextField
          label="Where, if there are several"
          value={place}
          maxLength={60}
          placeholder="left"
          onChange={(event) => setPlace(event.target.value)}
          disabled={!mayBook}
        />
        <div>
          <p className="mb-1 font-bold">Grade</p>
          <ChipsOne label="Grade" options={GRADES} value={grade} onChange={setGrade} />
          {isAsked && !grade && (
            <p role="alert" className="mt-1 border-ink border-l-4 pl-2 font-bold text-sm">
              Choose the grade.
            </p>
          )}
        </div>
        <div className="flex items-start gap-3">
          <div className="flex-1">
            <TextField
              label="Supplier"
              value={supplier}
              maxLength={80}
              placeholder="Coldbrook Parts"
              error={isAsked && !supplier.trim() ? "Say who supplies it." : undefined}
              onChange={(event) => setSupplier(event.target.value)}
              disabled={!mayBook}
            />
          </div>
          <Button onClick={choose} disabled={!mayBook} className="mt-7">
            Choose it
          </Button>
        </div>
      </div>
    </section>
  );
}

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

const CAUTIONS = [
  "Don't open the car before the part is in hand and out of its box: dents, bent pegs, wrong year.",
];

/** Parts with grade and supplier, each looked at out of its box before the car is opened. */
export default function Plan() {
  const { entries, page, timeZone, book, mayBook } = useJob();
  const parts = chosenParts(entries);
  const none = lastFact(entries, NoParts)?.entry;
  return (
    <Work
      title="What goes in, and is it here?"
      next={{ label: "On to Strip", to: "strip" }}
      act={
        parts.length === 0 &&
        !none && (
          <Button
            disabled={!mayBook}
            onClick={() =>
              book({ kind: "decision", item: "parts", text: "none needed", data: dataOf(NoParts, {}) }, [
                sayTick(page.job.id, entries, "no parts", (entry) => factOf(entry)?.fact instanceof NoParts),
              ])
            }
          >
            No parts needed
          </Button>
        )
      }
    >
      <Cautions texts={CAUTIONS} />
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
      <ChoosePart />
    </Work>
  );
}
