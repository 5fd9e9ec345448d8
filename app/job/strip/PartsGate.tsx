import { useState } from "react";
import { Link } from "react-router";
import { openedWithout } from "../../../core/book/acts/index.ts";
import type { Gate } from "../../../core/stages/plan/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";

const LEAST_REASON = 10;

/** Keeps the car shut until its parts are here and looked at, or until somebody writes down why not. */
export function PartsGate({ gate }: { gate: Gate }) {
  const { page, book, mayBook } = useJob();
  const [why, setWhy] = useDraft(`opened-without:${page.job.id}`);
  const [isAsked, setAsked] = useState(false);
  const open = () => {
    const because = why.trim();
    if (because.length < LEAST_REASON) return setAsked(true);
    book(openedWithout(gate.waitsFor, because));
    setWhy("");
  };
  return (
    <section
      aria-labelledby="gate"
      className="flex flex-col gap-3 border-ink border-l-[6px] bg-wash py-3 pr-3 pl-4"
    >
      <h3 id="gate" className="font-bold text-xl">
        Don't open it yet
      </h3>
      <ul className="list-disc pl-6">
        {gate.waitsFor.map(({ entryId, words, refused }) => (
          <li key={entryId}>
            <span className="font-bold">{words}</span>{" "}
            {refused ? `was refused: ${refused.because}` : "isn't here and looked at, out of its box"}.
          </li>
        ))}
      </ul>
      <p>
        A part that doesn't fit is found out on the bench, not on a stripped car.{" "}
        <Link to={`/jobs/${page.job.id}/plan`} className="font-bold underline underline-offset-4">
          Look it over on Plan
        </Link>
        .
      </p>
      {mayBook && (
        <div className="flex flex-wrap items-start gap-3">
          <div className="min-w-64 flex-1">
            <TextField
              label="Why it has to be opened all the same"
              value={why}
              maxLength={300}
              error={
                isAsked && why.trim().length < LEAST_REASON
                  ? "Write down why, in ten letters or more: the next one wants to know."
                  : undefined
              }
              onChange={(event) => setWhy(event.target.value)}
            />
          </div>
          <Button onClick={open} className="mt-7">
            Open it without
          </Button>
        </div>
      )}
    </section>
  );
}
