import { Minus, Plus } from "lucide-react";
import type { ReactNode } from "react";
import { type Dimension, readShown, SHOWN, toShown } from "../../../core/kernel/units/index.ts";
import type { Field } from "../../../core/stages/next/index.ts";
import { Button } from "../../ui/Button.tsx";
import { TextField } from "../../ui/Field.tsx";
import { useJob } from "../stage/context.ts";
import type { useBooking } from "./useBooking.ts";

/** By how much one tap changes an amount, in the shown unit: what goes into a tank is seen by the tenth. */
const STEPS: Partial<Record<Dimension, number>> = { volume: 0.1 };

/** What is typed with the act in hand; what the program knows stands in it already, and says from where. */
export function HandField({
  field,
  booking,
  onEnter,
}: {
  field: Field;
  booking: ReturnType<typeof useBooking>;
  /** Enter in the field does what the act's first button does. */
  onEnter: () => void;
}) {
  const { system, mayBook } = useJob();
  const { doubt, text, setText, isKnown, isWrong, isMissing } = booking;
  const isFigure = field.kind === "figure";
  const unit = isFigure ? SHOWN[field.dimension][system].label : undefined;
  const step = isFigure ? STEPS[field.dimension] : undefined;
  const by = (more: number) => {
    const shown = isFigure && text.trim() ? readShown(text, field.dimension, system) : 0;
    if (!isFigure || shown === undefined) return;
    setText(String(Number(Math.max(0, toShown(shown, field.dimension, system) + more).toFixed(2))));
  };
  const one = (name: string, more: number, icon: ReactNode) => (
    <Button
      aria-label={`${name}: ${field.label}`}
      className="mt-7 px-3"
      disabled={!mayBook}
      onClick={() => by(more)}
    >
      {icon}
    </Button>
  );
  return (
    <div className={isFigure ? "flex items-start gap-2" : "w-full max-w-xl"}>
      {step && one("Less", -step, <Minus aria-hidden="true" />)}
      <div className={isFigure ? "w-40" : "contents"}>
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
          onKeyDown={(event) => {
            if (event.key !== "Enter" || event.repeat || event.nativeEvent.isComposing) return;
            event.preventDefault();
            onEnter();
          }}
          enterKeyHint="done"
          {...(isFigure && { inputMode: "decimal" as const, className: "figure text-xl", unit })}
          {...(isKnown && field.known && { hint: field.known.from })}
          {...(doubt && { hint: `${doubt} Look again, or book it and say why in a note.` })}
        />
      </div>
      {step && one("More", step, <Plus aria-hidden="true" />)}
    </div>
  );
}
