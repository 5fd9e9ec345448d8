import { Form } from "react-router";
import { Button } from "../ui/Button.tsx";
import { dateOf } from "../ui/dates.ts";
import { TextField } from "../ui/Field.tsx";
import { Part } from "./Part.tsx";

/** The browsers that are the shop's own. */
export function Devices({
  devices,
  enrol,
  isLead,
  isBusy,
  fields,
  timeZone,
}: {
  devices: readonly { id: string; name: string; createdAt: string }[];
  enrol?: string;
  isLead: boolean;
  isBusy: boolean;
  fields: Record<string, string>;
  timeZone: string;
}) {
  return (
    <Part title="The shop's own browsers">
      <p className="mb-3 text-ink-2">On these people sign in by name and PIN.</p>
      <ul className="mb-4">
        {devices.map((device) => (
          <li key={device.id} className="flex items-center justify-between gap-3 border-rule border-b py-2">
            <span>
              <span className="font-bold">{device.name}</span>{" "}
              <span className="text-ink-2">since {dateOf(device.createdAt, timeZone)}</span>
            </span>
            {isLead && (
              <Form method="post">
                <input type="hidden" name="what" value="remove" />
                <Button
                  type="submit"
                  name="deviceId"
                  value={device.id}
                  disabled={isBusy}
                  aria-label={`Remove ${device.name}`}
                >
                  Remove
                </Button>
              </Form>
            )}
          </li>
        ))}
      </ul>
      {isLead && (
        <Form method="post" className="flex flex-wrap items-end gap-3">
          <input type="hidden" name="what" value="enrol" />
          <div className="min-w-48 flex-1">
            <TextField
              label="Name of the browser"
              name="deviceName"
              required
              maxLength={80}
              placeholder="bay tablet"
              error={fields.deviceName}
            />
          </div>
          <Button type="submit" disabled={isBusy}>
            Enrol one
          </Button>
        </Form>
      )}
      {enrol && (
        <p role="status" className="mt-4 border-ink border-l-4 pl-3">
          Open this in that browser within the hour; it is good once, and shown only now:
          <span className="figure block break-all font-bold">{enrol}</span>
        </p>
      )}
    </Part>
  );
}
