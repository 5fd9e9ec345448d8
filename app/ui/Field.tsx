import {
  type InputHTMLAttributes,
  type ReactNode,
  type SelectHTMLAttributes,
  type TextareaHTMLAttributes,
  useId,
} from "react";

interface Around {
  label: string;
  hint?: string;
  error?: string;
  /** What stands behind the field: a unit, usually. */
  unit?: string;
}

function Framed({ id, label, hint, error, unit, children }: Around & { id: string; children: ReactNode }) {
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="font-bold">
        {label}
      </label>
      <div className="flex items-center gap-2">
        {children}
        {unit && <span className="text-ink-2">{unit}</span>}
      </div>
      {hint && !error && (
        <p id={`${id}-hint`} className="text-ink-2 text-sm">
          {hint}
        </p>
      )}
      {error && (
        <p id={`${id}-error`} className="border-ink border-l-4 pl-2 font-bold text-sm" role="alert">
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

export function TextField({
  label,
  hint,
  error,
  unit,
  className = "",
  ...rest
}: Around & Without<InputHTMLAttributes<HTMLInputElement>>) {
  const id = useId();
  const around = { label, hint, error, unit };
  return (
    <Framed id={id} {...around}>
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
    <Framed id={id} {...around}>
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
    <Framed id={id} {...around}>
      <select id={id} className="field-box" {...told(id, around)} {...rest}>
        {children}
      </select>
    </Framed>
  );
}
