import type { ReactNode } from "react";
import { typedFigure } from "../../../core/kernel/csv/index.ts";
import { fromShown, inShownTemperatures, type System } from "../../../core/kernel/units/index.ts";
import type { Judgement } from "../../../core/kernel/verdict/index.ts";
import { AfterPause } from "../../ui/Announcer.tsx";
import { Button } from "../../ui/Button.tsx";
import { TextField } from "../../ui/Field.tsx";
import { VerdictWord } from "../../ui/VerdictMark.tsx";
import { useJob } from "../stage/context.ts";

/** What a calculation makes of its fields: a judgement, why it can't, or nothing typed yet. */
export type Worked<Result> = { result: Result } | { trouble: string } | undefined;

/** Runs a core function on what was typed; its RangeError is the sentence beside the fields. */
export function worked<Result>(isTyped: boolean, calculate: () => Result): Worked<Result> {
  if (!isTyped) return undefined;
  try {
    return { result: calculate() };
  } catch (error) {
    if (error instanceof RangeError) return { trouble: error.message };
    throw error;
  }
}

/** A figure as typed: comma or point; NaN where it is none, so that the core refuses it by name. */
export const figure = (text: string): number => typedFigure(text) ?? Number.NaN;

/** A temperature as typed, in the units of whoever types it; NaN where it is none. */
export function celsiusOf(text: string, system: System): number {
  const typed = figure(text);
  return Number.isFinite(typed) ? fromShown(typed, "temperature", system) : typed;
}

export function FigureField({
  label,
  unit,
  value,
  onChange,
}: {
  label: string;
  unit: string;
  value: string;
  onChange: (text: string) => void;
}) {
  return (
    <div className="w-40">
      <TextField
        label={label}
        unit={unit}
        inputMode="decimal"
        maxLength={12}
        className="figure"
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </div>
  );
}

/** The fields of an instrument, what they come to, and one tap that books it. */
export function Instrument({
  children,
  outcome,
  figures,
  onBook,
  onClear,
  isBookable,
}: {
  children: ReactNode;
  outcome: Worked<Judgement>;
  figures?: ReactNode;
  onBook: () => void;
  onClear: () => void;
  isBookable: boolean;
}) {
  const { system } = useJob();
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-start gap-4">{children}</div>
      <div className="min-h-12">
        {outcome === undefined && <p className="text-ink-2">Fill it in; the verdict shows at once.</p>}
        {outcome && "trouble" in outcome && (
          <p className="border-ink border-l-4 pl-3 font-bold">
            {inShownTemperatures(outcome.trouble, system)}
          </p>
        )}
        {outcome && "result" in outcome && (
          <>
            <p>
              <VerdictWord verdict={outcome.result.verdict} />
            </p>
            <p>{inShownTemperatures(outcome.result.because, system)}</p>
            {figures}
          </>
        )}
      </div>
      <AfterPause
        text={
          outcome === undefined
            ? ""
            : "trouble" in outcome
              ? inShownTemperatures(outcome.trouble, system)
              : `${outcome.result.verdict.replace("-", " ")}. ${inShownTemperatures(outcome.result.because, system)}`
        }
      />
      <div className="flex flex-wrap gap-2">
        <Button
          onClick={() => {
            onBook();
            onClear();
          }}
          disabled={!isBookable || !outcome || !("result" in outcome)}
        >
          Book it
        </Button>
        <Button weight="quiet" onClick={onClear}>
          Clear it
        </Button>
      </div>
    </div>
  );
}
