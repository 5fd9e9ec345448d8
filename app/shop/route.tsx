import { useEffect, useState } from "react";
import { data, Form, useActionData, useLoaderData, useNavigation } from "react-router";
import { v4 as newId } from "uuid";
import { readyAsTold, summedUp } from "../../core/stages/day/index.ts";
import { changeAdapter } from "../../server/adapter/change-adapter.ts";
import { readWorked } from "../../server/books/day/read-worked.ts";
import { Refusal } from "../../server/desk/refusal.ts";
import { ROLE_NAMES, type Role } from "../../server/desk/roles.ts";
import { newCalendarAddress } from "../../server/subjects/follow-ups/calendar.ts";
import { changeRules } from "../../server/subjects/follow-ups/change-rules.ts";
import { addPerson } from "../../server/subjects/people/add-person.ts";
import { inviteDevice, removeDevice } from "../../server/subjects/people/devices.ts";
import { checkSecrets } from "../../server/subjects/people/own-secret.ts";
import { hashSecrets } from "../../server/subjects/people/secrets.ts";
import {
  changeCurrency,
  changeHours,
  changePlace,
  changeUnits,
  readShop,
} from "../../server/subjects/shops/read-shop.ts";
import { verifySoon } from "../../server/verify/verify-shop.ts";
import { checkForm } from "../desk/forms.ts";
import { guarded, type Refused } from "../desk/guard.server.ts";
import { useMember } from "../desk/member.ts";
import { readForm } from "../desk/read-body.server.ts";
import { keptPosting } from "../kept/posting.ts";
import { keptReading } from "../kept/reading.ts";
import { Button } from "../ui/Button.tsx";
import { whenOf } from "../ui/dates.ts";
import { TextField } from "../ui/Field.tsx";
import { Adapter } from "./Adapter.tsx";
import { Backup } from "./Backup.tsx";
import { Books } from "./Books.tsx";
import { CalendarAddress } from "./CalendarAddress.tsx";
import { Devices } from "./Devices.tsx";
import { readRulesForm } from "./follow-up.form.ts";
import { Hours } from "./Hours.tsx";
import { HoursForm, hoursFrom } from "./hours.form.ts";
import { Part } from "./Part.tsx";
import { People } from "./People.tsx";
import { Place } from "./Place.tsx";
import { ReadIn } from "./ReadIn.tsx";
import { SecondLooks } from "./SecondLooks.tsx";
import {
  AdapterForm,
  CurrencyForm,
  DeviceForm,
  PersonForm,
  PlaceForm,
  RemoveDeviceForm,
  UnitsForm,
} from "./shop.form.ts";
import { WholeShop } from "./WholeShop.tsx";
import { Worked } from "./Worked.tsx";

export const meta = () => [{ title: "Shop · Warm Ledger" }];

export const loader = guarded("desk", async ({ desk }) => {
  const { people, ...shop } = await desk(readShop);
  const jobs = await desk(readWorked);
  return {
    ...shop,
    stages: summedUp(jobs),
    told: readyAsTold(jobs),
    people: people.map((person) => ({ ...person, does: ROLE_NAMES[person.role as Role] })),
  };
});

function clean<Value extends object>(form: new () => Value, input: FormData): Value {
  const checked = checkForm(form, input);
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  return checked.value;
}

export const action = guarded("lead", async ({ request, origin, desk }) => {
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
    const name = person.name.trim();
    checkSecrets(person, [name]);
    const hashed = await hashSecrets({ ...person, name });
    await desk((given) => addPerson(given, hashed));
  } else if (what === "enrol") {
    const { deviceName } = clean(DeviceForm, input);
    const token = await desk((given) => inviteDevice(given, deviceName.trim()));
    return data({ enrol: `${origin}/this-device/${token}` });
  } else if (what === "remove") {
    const { deviceId } = clean(RemoveDeviceForm, input);
    await desk((given) => removeDevice(given, deviceId));
  } else if (what === "place") {
    const { altitude = null, coldest = null } = clean(PlaceForm, input);
    await desk((given) => changePlace(given, { altitudeM: altitude, coldestC: coldest }));
  } else if (what === "adapter") {
    const { host, port } = clean(AdapterForm, input);
    await desk((given) => changeAdapter(given, host.trim() === "" ? undefined : { host: host.trim(), port }));
  } else if (what === "hours") {
    const read = hoursFrom(clean(HoursForm, input));
    if ("fields" in read) throw new Refusal({ message: "", fields: read.fields });
    await desk((given) => changeHours(given, read.hours));
  } else if (what === "rules") {
    const read = readRulesForm(input.get("rules"));
    if ("trouble" in read) throw new Refusal({ message: read.trouble });
    await desk((given) => changeRules(given, read.rules));
  } else if (what === "calendar") {
    const token = await desk(newCalendarAddress);
    return data({ calendar: `${origin}/calendar/${token}.ics` });
  } else if (what === "verify") {
    return data({ done: what, isReading: !(await verifySoon(desk)) });
  } else throw new Refusal({ message: "That can't be done here." });
  return data({ done: what });
});

export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("shop/route");

export const clientAction = keptPosting();

export default function Shop() {
  const shop = useLoaderData<typeof loader>();
  const { role, timeZone } = useMember();
  const answer = useActionData() as
    | (Partial<Refused> & { enrol?: string; calendar?: string; done?: string; isReading?: boolean })
    | undefined;
  const isBusy = useNavigation().state !== "idle";
  const fields = answer?.refused?.fields ?? {};
  const isLead = role === "lead";
  const may = { isLead, isBusy, fields };
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
        <div className="flex flex-col gap-6">
          <People people={shop.people} newPersonId={newPersonId} {...may} />
          <Worked stages={shop.stages} told={shop.told} />
          <Part title="Books">
            <Books
              verified={shop.verified}
              isReading={answer?.isReading ?? false}
              timeZone={timeZone}
              isLead={isLead}
              isBusy={isBusy}
            />
          </Part>
          <Part title="Backup">
            <Backup {...shop.backup} timeZone={timeZone} />
          </Part>
          {isLead && (
            <>
              <Part title="Take it all along">
                <WholeShop slug={shop.slug} />
              </Part>
              <Part title="Read a job in">
                <ReadIn />
              </Part>
            </>
          )}
        </div>
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
          <Hours hours={shop.hours} {...may} />
          <Place shop={shop} {...may} />
          <Adapter adapter={shop.adapter} {...may} />
          <Part title="Second looks">
            <SecondLooks rules={shop.rules} system={shop.units} isLead={isLead} isBusy={isBusy} />
          </Part>
          <CalendarAddress
            hasCalendar={shop.hasCalendar}
            address={answer?.calendar}
            isLead={isLead}
            isBusy={isBusy}
          />
          {shop.unsent.length > 0 && (
            <Part title="Unsent in browsers">
              <p className="mb-3 text-ink-2">
                Typed there and not booked yet. Sent by itself once that browser is open and whoever typed it
                is signed in on it.
              </p>
              <ul>
                {shop.unsent.map(({ browserId, name, entries, since, toldAt }) => (
                  <li key={browserId} className="border-rule border-b py-2">
                    <span className="font-bold">{name}:</span> {entries} unsent since{" "}
                    {whenOf(since, timeZone)}, last heard of {whenOf(toldAt, timeZone)}
                  </li>
                ))}
              </ul>
            </Part>
          )}
          <Devices devices={shop.devices} enrol={answer?.enrol} timeZone={timeZone} {...may} />
        </div>
      </div>
    </main>
  );
}
