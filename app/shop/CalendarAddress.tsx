import { Form } from "react-router";
import { Button } from "../ui/Button.tsx";
import { Part } from "./Part.tsx";

/** The secret address of the shop's second looks, shown once as it is made. */
export function CalendarAddress({
  hasCalendar,
  address,
  isLead,
  isBusy,
}: {
  hasCalendar: boolean;
  address?: string;
  isLead: boolean;
  isBusy: boolean;
}) {
  return (
    <Part title="Calendar">
      <p className="mb-3 text-ink-2">
        Second looks for anybody's calendar, at an address with a secret in it.{" "}
        {hasCalendar ? "One is in use; a new one shuts it." : "There is none yet."}
      </p>
      {isLead && (
        <Form method="post">
          <input type="hidden" name="what" value="calendar" />
          <Button type="submit" disabled={isBusy}>
            {hasCalendar ? "Change the address" : "Make an address"}
          </Button>
        </Form>
      )}
      {address && (
        <p role="status" className="mt-4 border-ink border-l-4 pl-3">
          Give this to the calendar; it is shown only now:
          <span className="figure block break-all font-bold">{address}</span>
        </p>
      )}
    </Part>
  );
}
