import { useId } from "react";
import { ChipsOne } from "../../ui/Chips.tsx";

/** What can be said of an engine's rest; the cold start is judged only after six hours of it. */
const ANSWERS = { "6 h or more": 6, "Less than 6 h": 0 } as const;
const UNKNOWN = "Nobody knows";
const OPTIONS = [...Object.keys(ANSWERS), UNKNOWN];

/** The answer as hours, and hours as the answer. */
export const stoodHours = (answer: string): number | undefined => ANSWERS[answer as keyof typeof ANSWERS];
export const stoodAnswer = (hours: number | undefined): string =>
  hours === undefined ? "" : hours >= ANSWERS["6 h or more"] ? "6 h or more" : "Less than 6 h";

/** Asked once for a log: half-cooled coolant is warmer than the air with nothing wrong. */
export function Stood({ value, onChange }: { value: string; onChange: (answer: string) => void }) {
  const id = useId();
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p id={id} className="font-bold">
        How long had the engine stood?
      </p>
      <ChipsOne label="How long had the engine stood?" options={OPTIONS} value={value} onChange={onChange} />
    </div>
  );
}
