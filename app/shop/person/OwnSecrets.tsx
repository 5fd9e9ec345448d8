import { Form } from "react-router";
import { Button } from "../../ui/Button.tsx";
import { TextField } from "../../ui/Field.tsx";
import { Part } from "../Part.tsx";
import { SecretFields } from "./SecretFields.tsx";

/** Everyone changes their own PIN and password, with the password of now. */
export function OwnSecrets({ isBusy, fields }: { isBusy: boolean; fields: Record<string, string> }) {
  return (
    <Part title="What you sign in by">
      <Form method="post" className="flex flex-col gap-3">
        <input type="hidden" name="what" value="own" />
        <TextField
          label="Your password now"
          name="now"
          type="password"
          required
          maxLength={200}
          error={fields.now}
          autoComplete="current-password"
        />
        <SecretFields fields={fields} />
        <p className="text-ink-2">Wherever else you are signed in, you sign in again.</p>
        <Button type="submit" disabled={isBusy} className="self-end">
          Change mine
        </Button>
      </Form>
    </Part>
  );
}
