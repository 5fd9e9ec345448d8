import { Form } from "react-router";
import { Button } from "../ui/Button.tsx";
import { TextField } from "../ui/Field.tsx";
import { Part } from "./Part.tsx";

/** Where the diagnostic adapter is that live logs are recorded by. */
export function Adapter({
  adapter,
  isLead,
  isBusy,
  fields,
}: {
  adapter: { host: string; port: number } | null;
  isLead: boolean;
  isBusy: boolean;
  fields: Record<string, string>;
}) {
  return (
    <Part title="Diagnostic adapter">
      <Form method="post" className="grid gap-3 sm:grid-cols-2">
        <input type="hidden" name="what" value="adapter" />
        <TextField
          label="Its address on this network"
          name="host"
          maxLength={120}
          key={`host ${adapter?.host}`}
          defaultValue={adapter?.host ?? ""}
          hint="One that takes a line of hex and answers with one. Empty where there is none."
          error={fields.host}
          disabled={!isLead}
        />
        <TextField
          label="Port"
          name="port"
          inputMode="numeric"
          maxLength={5}
          className="figure"
          key={`port ${adapter?.port}`}
          defaultValue={adapter?.port ?? ""}
          error={fields.port}
          disabled={!isLead}
        />
        {isLead && (
          <Button type="submit" disabled={isBusy} className="sm:col-span-2 sm:justify-self-end">
            Keep it
          </Button>
        )}
      </Form>
    </Part>
  );
}
