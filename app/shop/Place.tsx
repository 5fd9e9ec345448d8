import { Form } from "react-router";
import { SHOWN, type System, toShown } from "../../core/kernel/units/index.ts";
import { Button } from "../ui/Button.tsx";
import { TextField } from "../ui/Field.tsx";
import { Part } from "./Part.tsx";

/** Where the shop lies: what a mix has to stand, and where it boils. */
export function Place({
  shop,
  isLead,
  isBusy,
  fields,
}: {
  shop: { units: System; altitudeM: number | null; coldestC: number | null };
  isLead: boolean;
  isBusy: boolean;
  fields: Record<string, string>;
}) {
  return (
    <Part title="Where it lies">
      <Form method="post" className="grid gap-3 sm:grid-cols-2">
        <input type="hidden" name="what" value="place" />
        <input type="hidden" name="system" value={shop.units} />
        <TextField
          label="Highest it goes"
          name="altitude"
          unit="m"
          inputMode="decimal"
          maxLength={8}
          className="figure"
          key={`altitude ${shop.altitudeM}`}
          defaultValue={shop.altitudeM ?? ""}
          hint="Coolant boils sooner up there."
          error={fields.altitude}
          disabled={!isLead}
        />
        <TextField
          label="Coldest it gets"
          name="coldest"
          unit={SHOWN.temperature[shop.units].label}
          maxLength={8}
          className="figure"
          key={`coldest ${shop.coldestC} ${shop.units}`}
          defaultValue={
            shop.coldestC === null ? "" : Math.round(toShown(shop.coldestC, "temperature", shop.units))
          }
          hint="What a mix has to stand."
          error={fields.coldest}
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
