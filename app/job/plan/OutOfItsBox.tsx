import { useState } from "react";
import { acceptedPart, refusedPart } from "../../../core/book/acts/index.ts";
import { CheckedPart, factOf, RefusedPart } from "../../../core/book/facts/index.ts";
import type { PartState } from "../../../core/book/parts/index.ts";
import { looksFor } from "../../../core/stages/plan/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { ChipsMany } from "../../ui/Chips.tsx";
import { TextField } from "../../ui/Field.tsx";
import { TakePicture } from "../pictures/TakePicture.tsx";
import { useJob } from "../stage/context.ts";
import { sayTick } from "../stage/tick-id.ts";

const LEAST_REASON = 3;

/** A part that has come: looked over point by point, then accepted or refused under a name. */
export function OutOfItsBox({ part }: { part: PartState }) {
  const { page, entries, book } = useJob();
  const [seen, setSeen] = useDraft<string[]>(`box:${part.entryId}`, []);
  const [wrong, setWrong] = useDraft(`box-wrong:${part.entryId}`);
  const [isAsked, setAsked] = useState<"seen" | "wrong">();
  const looks = looksFor(part.item);
  const missing = looks.filter((look) => !seen.includes(look));
  const tick = (kind: typeof CheckedPart | typeof RefusedPart) => [
    sayTick(page.job.id, entries, `${kind.fact}:${part.entryId}`, (entry) => {
      const said = factOf(entry)?.fact;
      return said instanceof kind && (said as CheckedPart | RefusedPart).part === part.entryId;
    }),
  ];
  const accept = () => {
    if (missing.length > 0) return setAsked("seen");
    book(acceptedPart(part, looks), tick(CheckedPart));
    setSeen([]);
  };
  const refuse = () => {
    const because = wrong.trim();
    if (because.length < LEAST_REASON) return setAsked("wrong");
    book(refusedPart(part, because), tick(RefusedPart));
    setWrong("");
  };
  return (
    <div className="flex w-full flex-col gap-3">
      <ChipsMany label={`Looked at: ${part.words}`} options={looks} value={seen} onChange={setSeen} />
      {isAsked === "seen" && missing.length > 0 && (
        <p role="alert" className="border-ink border-l-4 pl-3 font-bold">
          Not looked at yet: {missing.join(", ")}.
        </p>
      )}
      <TakePicture words={`${part.words} out of its box`} of={part.entryId} />
      <div className="flex flex-wrap items-end gap-3">
        <Button onClick={accept}>Accept it: here, out of the box, undamaged</Button>
        <div className="flex min-w-56 flex-1 items-end gap-2">
          <div className="flex-1">
            <TextField
              label="Or what is wrong with it"
              value={wrong}
              maxLength={300}
              placeholder="a peg bent in its box"
              error={
                isAsked === "wrong" && wrong.trim().length < LEAST_REASON
                  ? "Say what is wrong with it."
                  : undefined
              }
              onChange={(event) => setWrong(event.target.value)}
            />
          </div>
          <Button weight="quiet" onClick={refuse} aria-label={`Refuse it: ${part.words}`}>
            Refuse it
          </Button>
        </div>
      </div>
    </div>
  );
}
