import { useId } from "react";
import { AfterPause } from "../../../ui/Announcer.tsx";

/** One field of an option's column; its row says what it is, and its name says both. */
export function OptionCell({
  label,
  value,
  error,
  onChange,
  isFigure = true,
  isDisabled,
}: {
  label: string;
  value: string;
  error: string | undefined;
  onChange: (text: string) => void;
  isFigure?: boolean;
  isDisabled: boolean;
}) {
  const id = useId();
  return (
    <>
      <input
        aria-label={label}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? id : undefined}
        size={8}
        className={`field-box w-full min-w-24 max-sm:px-2 ${isFigure ? "figure" : ""}`}
        inputMode={isFigure ? "decimal" : undefined}
        autoComplete="off"
        maxLength={isFigure ? 12 : 80}
        value={value}
        disabled={isDisabled}
        onChange={(event) => onChange(event.target.value)}
      />
      <AfterPause text={error ?? ""} isError />
      {error && (
        <p id={id} className="mt-1 border-ink border-l-4 pl-2 font-bold text-sm">
          {error}
        </p>
      )}
    </>
  );
}
