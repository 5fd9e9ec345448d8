import { useState } from "react";
import { guaranteed } from "../../../core/book/acts/index.ts";
import { factsOf, Guarantee, guaranteeSpan, guaranteeWords } from "../../../core/book/facts/index.ts";
import { partsState } from "../../../core/book/parts/index.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";

/** Days as they are given, the usual spans of trade and law. */
const SPANS = [0, 30, 90, 183, 365, 730, 1095] as const;

function Spans({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number;
  onChange: (days: number) => void;
}) {
  return (
    <Choice label={label} value={String(value)} onChange={(event) => onChange(Number(event.target.value))}>
      {SPANS.map((days) => (
        <option key={days} value={days}>
          {guaranteeSpan(days)}
        </option>
      ))}
    </Choice>
  );
}

/** For how long the shop answers for each part that went in, and for the work of fitting it. */
export function Guarantees() {
  const { entries, book, mayBook } = useJob();
  const [open, setOpen] = useState<{ id: string; partDays: number; labourDays: number }>();
  const given = new Map(factsOf(entries, Guarantee).map(({ fact }) => [fact.part, fact]));
  const parts = partsState(entries).filter(({ refused }) => !refused);
  if (parts.length === 0) return null;
  const save = (words: string) => {
    if (!open) return;
    const { id: entryId, ...days } = open;
    if (book(guaranteed({ entryId, words }, days))) setOpen(undefined);
  };
  return (
    <section aria-labelledby="guarantees">
      <h3 id="guarantees" className="text-xl">
        Guarantee
      </h3>
      <ul className="border-ink border-t-2">
        {parts.map(({ entryId, words, grade, supplier }) => {
          const of = given.get(entryId);
          return (
            <li key={entryId} className="flex flex-wrap items-end gap-x-4 gap-y-2 border-rule border-b py-2">
              <span className="min-w-56 flex-1">
                <span className="font-bold">{words}</span>, {grade}, {supplier}:{" "}
                {of ? guaranteeWords(of) : "guarantee not said"}
              </span>
              {open?.id === entryId ? (
                <>
                  <Spans
                    label="On the part"
                    value={open.partDays}
                    onChange={(partDays) => setOpen({ ...open, partDays })}
                  />
                  <Spans
                    label="On the labour"
                    value={open.labourDays}
                    onChange={(labourDays) => setOpen({ ...open, labourDays })}
                  />
                  <Button onClick={() => save(words)}>Book it</Button>
                </>
              ) : (
                <Button
                  weight="quiet"
                  disabled={!mayBook}
                  aria-label={`Guarantee on the ${words}`}
                  onClick={() =>
                    setOpen({ id: entryId, partDays: of?.partDays ?? 365, labourDays: of?.labourDays ?? 365 })
                  }
                >
                  Guarantee
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
