import { TextField } from "../../ui/Field.tsx";

/** What somebody is to sign in by from now on; left empty it stays. */
export function SecretFields({ fields }: { fields: Record<string, string> }) {
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <TextField
        label="New PIN"
        name="pin"
        type="password"
        inputMode="numeric"
        maxLength={8}
        hint="4 to 8 digits; empty, it stays"
        error={fields.pin}
        autoComplete="off"
      />
      <TextField
        label="New password"
        name="password"
        type="password"
        maxLength={200}
        hint="10 letters or more; empty, it stays"
        error={fields.password}
        autoComplete="new-password"
      />
    </div>
  );
}
