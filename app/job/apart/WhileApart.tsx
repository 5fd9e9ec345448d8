import { useState } from "react";
import { sawApart } from "../../../core/book/acts/index.ts";
import { SEEN_AS, SEEN_WORDS, type SeenAs } from "../../../core/book/facts/index.ts";
import { type ApartRow, whileApart } from "../../../core/state/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsOne } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";

function Row({ row: { what, look, as, text } }: { row: ApartRow }) {
  const { page, book, mayBook } = useJob();
  const [said, setSaid] = useDraft(`apart:${page.job.id}:${what}`);
  return (
    <li className="flex flex-wrap items-end gap-x-4 gap-y-2 border-rule border-b py-2">
      <span className="min-w-40 flex-1 self-center leading-snug">
        <span className="block font-bold">{what}</span>
        <span className="text-ink-2">{as && text ? text : look}</span>
      </span>
      <input
        className="field-box w-56"
        aria-label={`What is wrong with: ${what}`}
        placeholder="what is wrong, if anything"
        maxLength={120}
        value={said}
        onChange={(event) => setSaid(event.target.value)}
      />
      <ChipsOne
        label={what}
        isNamedWhole
        isOff={!mayBook}
        options={SEEN_AS}
        words={SEEN_WORDS}
        value={as ?? ""}
        onChange={(next) => {
          if (!next) return;
          book(sawApart(what, next as SeenAs, said));
          setSaid("");
        }}
      />
    </li>
  );
}

/** Replacing now costs a part, later it costs the job again: each thing seen, and what the customer said. */
export function WhileApart() {
  const { entries, mayBook } = useJob();
  const rows = whileApart(entries);
  const [other, setOther] = useState("");
  const [added, setAdded] = useState<string[]>([]);
  const add = () => {
    const what = other.trim().toLowerCase();
    if (what && !rows.some((row) => row.what === what)) setAdded([...added, what]);
    setOther("");
  };
  return (
    <div className="flex flex-col gap-4">
      <ul className="border-ink border-t-2">
        {rows.map((row) => (
          <Row key={row.what} row={row} />
        ))}
        {added
          .filter((what) => !rows.some((row) => row.what === what))
          .map((what) => (
            <Row key={what} row={{ what, look: "" }} />
          ))}
      </ul>
      <div className="flex max-w-md items-end gap-3">
        <div className="flex-1">
          <TextField
            label="Something else looked at"
            maxLength={60}
            value={other}
            onChange={(event) => setOther(event.target.value)}
          />
        </div>
        <Button onClick={add} disabled={!mayBook || other.trim() === ""}>
          Add it
        </Button>
      </div>
    </div>
  );
}
