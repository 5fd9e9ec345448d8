import {
  createContext,
  type InputHTMLAttributes,
  type ReactNode,
  type Ref,
  type SelectHTMLAttributes,
  type TextareaHTMLAttributes,
  useContext,
  useId,
} from "react";

import { AfterPause } from "./Announcer.tsx";

/** True within a form whose errors are summed up at its top: then no field reads its own out as well. */
export const SummedUp = createContext(false);

interface Around {
  label: string;
  hint?: string;
  error?: string;
  /** What stands behind the field: a unit, usually. */
  unit?: string;
}

function Framed({
  id,
  label,
  hint,
  error,
  unit,
  isRequired,
  children,
}: Around & { id: string; isRequired?: boolean; children: ReactNode }) {
  const isSummedUp = useContext(SummedUp);
  return (
    <div className="flex flex-col gap-1">
      <span className="flex flex-wrap items-baseline gap-x-2">
        <label htmlFor={id} className="font-bold">
          {label}
        </label>
        {/* For the eye; the field itself says it to a screen reader. */}
        {isRequired && (
          <span aria-hidden="true" className="text-ink-2 text-sm">
            required
          </span>
        )}
      </span>
      <div className="flex items-center gap-2">
        {children}
        {unit && <span className="text-ink-2">{unit}</span>}
      </div>
      {hint && !error && (
        <p id={`${id}-hint`} className="text-ink-2 text-sm">
          {hint}
        </p>
      )}
      {!isSummedUp && <AfterPause text={error ?? ""} isError />}
      {error && (
        <p id={`${id}-error`} className="border-ink border-l-4 pl-2 font-bold text-sm" data-field-error>
          {error}
        </p>
      )}
    </div>
  );
}

const told = (id: string, { hint, error }: Around) => ({
  "aria-invalid": error ? true : undefined,
  "aria-describedby": error ? `${id}-error` : hint ? `${id}-hint` : undefined,
});

type Without<Props> = Omit<Props, "id">;
type WithRef<Element> = { ref?: Ref<Element> };

export function TextField({
  label,
  hint,
  error,
  unit,
  className = "",
  ...rest
}: Around & WithRef<HTMLInputElement> & Without<InputHTMLAttributes<HTMLInputElement>>) {
  const id = useId();
  const around = { label, hint, error, unit };
  return (
    <Framed id={id} isRequired={rest.required} {...around}>
      <input
        id={id}
        className={`field-box ${className}`}
        autoComplete="off"
        {...told(id, around)}
        {...rest}
      />
    </Framed>
  );
}

export function TextArea({
  label,
  hint,
  error,
  unit,
  className = "",
  ...rest
}: Around & Without<TextareaHTMLAttributes<HTMLTextAreaElement>>) {
  const id = useId();
  const around = { label, hint, error, unit };
  return (
    <Framed id={id} isRequired={rest.required} {...around}>
      <textarea id={id} className={`field-box ${className}`} {...told(id, around)} {...rest} />
    </Framed>
  );
}

export function Choice({
  label,
  hint,
  error,
  unit,
  children,
  ...rest
}: Around & Without<SelectHTMLAttributes<HTMLSelectElement>>) {
  const id = useId();
  const around = { label, hint, error, unit };
  return (
    <Framed id={id} isRequired={rest.required} {...around}>
      <select id={id} className="field-box" {...told(id, around)} {...rest}>
        {children}
      </select>
    </Framed>
  );
}
