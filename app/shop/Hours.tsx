import { useState } from "react";
import { Form } from "react-router";
import type { ShopHours } from "../../core/stages/day/index.ts";
import { Button } from "../ui/Button.tsx";
import { TextField } from "../ui/Field.tsx";
import { Part } from "./Part.tsx";

const DAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** When the shop is open and how many lifts it has: what its day is laid by. */
export function Hours({
  hours,
  isLead,
  isBusy,
  fields,
}: {
  hours: ShopHours;
  isLead: boolean;
  isBusy: boolean;
  fields: Record<string, string>;
}) {
  const [days, setDays] = useState<readonly number[]>(hours.days);
  const [noon] = hours.breaks;
  const time = (label: string, name: string, value: string, isRequired: boolean) => (
    <TextField
      label={label}
      name={name}
      type="time"
      className="figure"
      key={`${name} ${value}`}
      defaultValue={value}
      required={isRequired}
      error={fields[name]}
      disabled={!isLead}
    />
  );
  return (
    <Part title="Hours and lifts">
      <Form method="post" className="grid grid-cols-2 gap-3">
        <input type="hidden" name="what" value="hours" />
        <input type="hidden" name="days" value={days.join(",")} />
        <fieldset className="col-span-2" disabled={!isLead}>
          <legend className="font-bold">Open on</legend>
          <div className="flex flex-wrap gap-x-4">
            {DAYS.map((name, index) => (
              <label key={name} className="flex min-h-12 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5 accent-ink"
                  checked={days.includes(index + 1)}
                  onChange={({ target }) =>
                    setDays(
                      target.checked ? [...days, index + 1].sort() : days.filter((day) => day !== index + 1),
                    )
                  }
                />
                {name}
              </label>
            ))}
          </div>
          {fields.days && <p className="border-ink border-l-4 pl-2 font-bold text-sm">{fields.days}</p>}
        </fieldset>
        {time("Opens", "opens", hours.opens, true)}
        {time("Closes", "closes", hours.closes, true)}
        {time("Break from", "breakFrom", noon?.from ?? "", false)}
        {time("Break until", "breakTo", noon?.to ?? "", false)}
        <TextField
          label="Lifts"
          name="lifts"
          inputMode="numeric"
          className="figure"
          key={`lifts ${hours.lifts}`}
          defaultValue={hours.lifts}
          maxLength={2}
          required
          hint="A car that is apart keeps its lift."
          error={fields.lifts}
          disabled={!isLead}
        />
        {isLead && (
          <Button type="submit" disabled={isBusy} className="self-end justify-self-end">
            Keep it
          </Button>
        )}
      </Form>
    </Part>
  );
}
