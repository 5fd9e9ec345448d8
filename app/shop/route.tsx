import { type ReactNode, useEffect, useState } from "react";
import { data, Form, useActionData, useLoaderData, useNavigation } from "react-router";
import { v4 as newId } from "uuid";
import { newCalendarAddress } from "../../server/follow-ups/calendar.ts";
import { changeRules } from "../../server/follow-ups/change-rules.ts";
import { addPerson } from "../../server/people/add-person.ts";
import { enrolDevice, removeDevice } from "../../server/people/devices.ts";
import { ROLE_NAMES, type Role } from "../../server/people/roles.ts";
import { Refusal } from "../../server/refusal.ts";
import { changeCurrency, changeUnits, readShop } from "../../server/shops/read-shop.ts";
import { checkForm } from "../shell/forms.ts";
import { guarded, type Refused } from "../shell/guard.server.ts";
import { keptPosting } from "../shell/kept/posting.ts";
import { keptReading } from "../shell/kept/reading.ts";
import { useMember } from "../shell/member.ts";
import { readForm } from "../shell/read-body.server.ts";
import { Button } from "../ui/Button.tsx";
import { dateOf, whenOf } from "../ui/dates.ts";
import { Choice, TextField } from "../ui/Field.tsx";
import { readRulesForm } from "./follow-up.form.ts";
import { ReadIn } from "./ReadIn.tsx";
import { SecondLooks } from "./SecondLooks.tsx";
import { CurrencyForm, DeviceForm, PersonForm, RemoveDeviceForm, UnitsForm } from "./shop.form.ts";

export const meta = () => [{ title: "Shop · Warm Ledger" }];

export const loader = guarded("desk", async ({ desk }) => {
  const { people, ...shop } = await desk(readShop);
  return {
    ...shop,
    people: people.map((person) => ({ ...person, does: ROLE_NAMES[person.role as Role] })),
  };
});

function clean<Value extends object>(form: new () => Value, input: FormData): Value {
  const checked = checkForm(form, input);
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  return checked.value;
}

export const action = guarded("lead", async ({ request, url, desk }) => {
  const input = await readForm(request);
  const what = input.get("what");
  input.delete("what");
  if (what === "units") {
    const { units } = clean(UnitsForm, input);
    await desk((given) => changeUnits(given, units));
  } else if (what === "currency") {
    const { currency } = clean(CurrencyForm, input);
    await desk((given) => changeCurrency(given, currency));
  } else if (what === "person") {
    const person = clean(PersonForm, input);
    await desk((given) => addPerson(given, { ...person, name: person.name.trim() }));
  } else if (what === "enrol") {
    const { deviceName } = clean(DeviceForm, input);
    const token = await desk((given) => enrolDevice(given, deviceName.trim()));
    return data({ enrol: `${url.origin}/this-device/${token}` });
  } else if (what === "remove") {
    const { deviceId } = clean(RemoveDeviceForm, input);
    await desk((given) => removeDevice(given, deviceId));
  } else if (what === "rules") {
    const read = readRulesForm(input.get("rules"));
    if ("trouble" in read) throw new Refusal({ message: read.trouble });
    await desk((given) => changeRules(given, read.rules));
  } else if (what === "calendar") {
    const token = await desk(newCalendarAddress);
    return data({ calendar: `${url.origin}/calendar/${token}.ics` });
  } else throw new Refusal({ message: "That can't be done here." });
  return data({ done: what });
});

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="rounded-lg border border-rule bg-sheet p-5">
      <h2 className="mb-3 text-2xl">{title}</h2>
      {children}
    </section>
  );
}

export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("shop/route");

export const clientAction = keptPosting();

export default function Shop() {
  const shop = useLoaderData<typeof loader>();
  const { role, timeZone } = useMember();
  const answer = useActionData() as
    | (Partial<Refused> & { enrol?: string; calendar?: string; done?: string })
    | undefined;
  const isBusy = useNavigation().state !== "idle";
  const fields = answer?.refused?.fields ?? {};
  const isLead = role === "lead";
  // Made once for each person that is added: sent twice it is one, and reading the page again empties no form.
  const [newPersonId, setNewPersonId] = useState("");
  const added = answer && "done" in answer && answer.done === "person" ? answer : undefined;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another one after each person that was taken
  useEffect(() => setNewPersonId(newId()), [added]);
  return (
    <main id="work" className="p-5 lg:p-7">
      <h1 className="mb-1 text-3xl">{shop.name}</h1>
      <p className="mb-6 text-ink-2">
        Signs in as <span className="figure">{shop.slug}</span>.{" "}
        {isLead ? "" : "Only a lead can change things here."}
      </p>
      {answer?.refused?.message && (
        <p role="alert" className="mb-4 border-ink border-l-4 pl-3 font-bold">
          {answer.refused.message}
        </p>
      )}
      <div className="grid items-start gap-6 lg:grid-cols-2">
        <Part title="People">
          <ul className="mb-4">
            {shop.people.map((person) => (
              <li key={person.id} className="flex justify-between border-rule border-b py-2">
                <span className="font-bold">{person.name}</span>
                <span className="text-ink-2">{person.does}</span>
              </li>
            ))}
          </ul>
          {isLead && (
            <Form method="post" key={newPersonId} className="grid gap-3 sm:grid-cols-2">
              <input type="hidden" name="what" value="person" />
              <input type="hidden" name="id" value={newPersonId} />
              <TextField label="Name" name="name" required maxLength={80} error={fields.name} />
              <Choice label="Does" name="role" defaultValue="technician" error={fields.role}>
                <option value="desk">Front desk</option>
                <option value="technician">Technician</option>
                <option value="lead">Lead</option>
              </Choice>
              <TextField
                label="PIN"
                name="pin"
                type="password"
                inputMode="numeric"
                required
                maxLength={8}
                error={fields.pin}
                autoComplete="new-password"
              />
              <TextField
                label="Password"
                name="password"
                type="password"
                required
                maxLength={200}
                error={fields.password}
                autoComplete="new-password"
              />
              <Button type="submit" disabled={isBusy} className="sm:col-span-2 sm:justify-self-end">
                Add this person
              </Button>
            </Form>
          )}
        </Part>
        <div className="flex flex-col gap-6">
          <Part title="Units">
            <Form method="post" className="flex flex-wrap items-center justify-between gap-3">
              <input type="hidden" name="what" value="units" />
              <p>{shop.units === "metric" ? "Metric: °C, L, kPa, km" : "US: °F, qt, psi, mi"}</p>
              {isLead && (
                <Button
                  type="submit"
                  name="units"
                  value={shop.units === "metric" ? "us" : "metric"}
                  disabled={isBusy}
                >
                  {shop.units === "metric" ? "Use US units" : "Use metric units"}
                </Button>
              )}
            </Form>
          </Part>
          <Part title="Money">
            <Form method="post" className="flex flex-wrap items-end justify-between gap-3">
              <input type="hidden" name="what" value="currency" />
              <p className="self-center">Figures of money are in {shop.currency}.</p>
              {isLead && (
                <span className="flex items-end gap-3">
                  <span className="w-28">
                    <TextField
                      key={shop.currency}
                      label="Currency"
                      name="currency"
                      defaultValue={shop.currency}
                      required
                      maxLength={3}
                      autoCapitalize="characters"
                      error={fields.currency}
                    />
                  </span>
                  <Button type="submit" disabled={isBusy}>
                    Use it
                  </Button>
                </span>
              )}
            </Form>
          </Part>
          <Part title="Second looks">
            <SecondLooks rules={shop.rules} system={shop.units} isLead={isLead} isBusy={isBusy} />
          </Part>
          <Part title="Calendar">
            <p className="mb-3 text-ink-2">
              Second looks for anybody's calendar, at an address with a secret in it.{" "}
              {shop.hasCalendar ? "One is in use; a new one shuts it." : "There is none yet."}
            </p>
            {isLead && (
              <Form method="post">
                <input type="hidden" name="what" value="calendar" />
                <Button type="submit" disabled={isBusy}>
                  {shop.hasCalendar ? "Change the address" : "Make an address"}
                </Button>
              </Form>
            )}
            {answer?.calendar && (
              <p role="status" className="mt-4 border-ink border-l-4 pl-3">
                Give this to the calendar; it is shown only now:
                <span className="figure block break-all font-bold">{answer.calendar}</span>
              </p>
            )}
          </Part>
          {shop.unsent.length > 0 && (
            <Part title="Unsent in browsers">
              <p className="mb-3 text-ink-2">
                Typed there and not booked yet. Sent by itself once that browser is open and whoever typed it
                is signed in on it.
              </p>
              <ul>
                {shop.unsent.map(({ browserId, name, entries, since }) => (
                  <li key={browserId} className="border-rule border-b py-2">
                    <span className="font-bold">{name}:</span> {entries} unsent since{" "}
                    {whenOf(since, timeZone)}
                  </li>
                ))}
              </ul>
            </Part>
          )}
          {isLead && (
            <Part title="Read a job in">
              <ReadIn />
            </Part>
          )}
          <Part title="The shop's own browsers">
            <p className="mb-3 text-ink-2">On these people sign in by name and PIN.</p>
            <ul className="mb-4">
              {shop.devices.map((device) => (
                <li
                  key={device.id}
                  className="flex items-center justify-between gap-3 border-rule border-b py-2"
                >
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
            {answer?.enrol && (
              <p role="status" className="mt-4 border-ink border-l-4 pl-3">
                Open this once in that browser; it is shown only now:
                <span className="figure block break-all font-bold">{answer.enrol}</span>
              </p>
            )}
          </Part>
        </div>
      </div>
    </main>
  );
}
