import { format, SHOWN } from "../../../core/kernel/units/index.ts";
import { fallenDistance } from "../../../core/state/index.ts";
import { MOST_KM } from "../../../core/trade/car/index.ts";
import { TextArea, TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";
import type { HeardHere } from "./useHeard.ts";

/** What the distance field says below it: why this one can't be, or what is known. */
function useDistanceHint({ answers, distanceKm: km }: HeardHere): string | undefined {
  const { page, entries, system } = useJob();
  const corrects = answers.distance?.id;
  const trouble = km === undefined ? undefined : fallenDistance(entries, page, { km, corrects }, system);
  if (trouble) return `${trouble.words} Look again, or book it and say why in a note.`;
  const known = answers.distance?.value ?? page.vehicle.distanceKm;
  return known === null
    ? undefined
    : `${answers.distance ? "In the book" : "Last time"}: ${format(known, "distance", system)}`;
}

/** What the owner says in words, what the car has run, and what a reader shows. */
export function AskFields({ heard }: { heard: HeardHere }) {
  const { system, mayBook, maySay } = useJob();
  const { answers, typed, set, isDistanceWrong } = heard;
  const hint = useDistanceHint(heard);
  return (
    <>
      <TextArea
        label="Complaint, in their words"
        rows={2}
        maxLength={2000}
        value={typed.complaint}
        placeholder={answers.complaint ? "" : "Hot in the school queue, fan not heard"}
        hint={answers.complaint && `In the book: ${answers.complaint.text}`}
        onChange={(event) => set.complaint(event.target.value)}
        disabled={!maySay}
      />
      <div className="grid gap-5 sm:grid-cols-2">
        <TextField
          label="Distance"
          inputMode="numeric"
          maxLength={20}
          unit={SHOWN.distance[system].label}
          value={typed.distance}
          className="figure"
          hint={hint}
          error={isDistanceWrong ? `Figures only, up to ${format(MOST_KM, "distance", system)}.` : undefined}
          onChange={(event) => set.distance(event.target.value)}
          disabled={!maySay}
        />
        {(mayBook || !maySay) && (
          <TextField
            label="Codes, as the reader shows them"
            maxLength={200}
            className="figure"
            value={typed.codes}
            placeholder={answers.codes ? "" : "none read yet"}
            hint={answers.codes && `In the book: ${answers.codes.text}`}
            onChange={(event) => set.codes(event.target.value)}
            disabled={!mayBook}
          />
        )}
      </div>
    </>
  );
}
