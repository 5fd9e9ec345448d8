import { SHOWN } from "../../../core/kernel/units/index.ts";
import type { Field } from "../../../core/stages/next/index.ts";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";
import type { useBooking } from "./useBooking.ts";

/** What is typed with the act in hand; what the program knows stands in it already, and says from where. */
export function HandField({ field, booking }: { field: Field; booking: ReturnType<typeof useBooking> }) {
  const { system, mayBook } = useJob();
  const { doubt, text, setText, isKnown, isWrong, isMissing } = booking;
  const isFigure = field.kind === "figure";
  const unit = isFigure ? SHOWN[field.dimension][system].label : undefined;
  return (
    <div className={isFigure ? "w-48" : "w-full max-w-xl"}>
      <TextField
        label={field.label}
        value={text}
        maxLength={isFigure ? 20 : field.most}
        disabled={!mayBook}
        error={
          isWrong
            ? isFigure
              ? `A figure in ${unit} that can be.`
              : `At most ${field.most} letters.`
            : isMissing
              ? "Fill this in first."
              : undefined
        }
        onChange={(event) => setText(event.target.value)}
        {...(isFigure && { inputMode: "decimal" as const, className: "figure text-xl", unit })}
        {...(isKnown && field.known && { hint: field.known.from })}
        {...(doubt && { hint: `${doubt} Look again, or book it and say why in a note.` })}
      />
    </div>
  );
}
