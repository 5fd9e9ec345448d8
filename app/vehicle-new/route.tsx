import { randomUUID } from "node:crypto";
import { type FormEvent, useState } from "react";
import { Form, redirect, useActionData, useLoaderData, useNavigation } from "react-router";
import { CIRCUIT_KINDS } from "../../core/diagnosis/knowledge/knowledge.ts";
import { readSensorPoints } from "../../core/electrics/index.ts";
import { SHOWN } from "../../core/units/index.ts";
import { Refusal } from "../../server/refusal.ts";
import { addVehicle } from "../../server/vehicles/add-vehicle.ts";
import { checkForm } from "../shell/forms.ts";
import { guarded, type Refused } from "../shell/guard.server.ts";
import { useMember } from "../shell/member.ts";
import { readForm } from "../shell/read-body.server.ts";
import { Button, ButtonLink } from "../ui/Button.tsx";
import { Choice, TextField } from "../ui/Field.tsx";
import { CIRCUITS } from "../vehicle/CoolingCard.tsx";
import { COOLANT_KINDS, cardTrouble, OIL_COOLERS, VehicleForm } from "./vehicle.form.ts";

export const meta = () => [{ title: "Add a vehicle · Warm Ledger" }];

export const loader = guarded("desk", async () => ({ id: randomUUID() }));

const present = (...figures: (number | undefined)[]) => figures.filter((figure) => figure !== undefined);

export const action = guarded("desk", async ({ request, desk }) => {
  const checked = checkForm(VehicleForm, await readForm(request));
  const fields = checked.fields ?? cardTrouble(checked.value);
  if (!checked.value || Object.keys(fields).length > 0) throw new Refusal({ message: "", fields });
  const form = checked.value;
  const {
    id,
    plate,
    vin,
    name,
    use,
    coolantKind,
    coolantProduct,
    fanSenses,
    fillPoint,
    bleedPoints,
    oilCooler,
  } = form;
  const card = {
    capacityL: form.capacity,
    coolantKind,
    coolantProduct,
    targetFraction: form.strength,
    capGaugeKpa: form.cap,
    thermostatOpensC: form.thermostatOpens,
    circuit: form.circuit || null,
    fanOnC: present(form.lowOn, form.highOn),
    fanOffC: present(form.lowOff, form.highOff),
    fanSenses,
    fillPoint,
    bleedPoints,
    oilCooler,
    sensorCurve: readSensorPoints(form.sensorCurve),
  };
  await desk((given) =>
    addVehicle(given, { id, plate, vin, name, use, distanceKm: form.distance ?? null, card }),
  );
  return redirect(`/vehicles/${id}`);
});

export default function AddVehicle() {
  const { id } = useLoaderData<typeof loader>();
  const { units } = useMember();
  const answer = useActionData() as Refused | undefined;
  const isBusy = useNavigation().state !== "idle";
  const [own, setOwn] = useState<Record<string, string>>();
  const fields = own ?? answer?.refused.fields ?? {};
  const unit = (dimension: keyof typeof SHOWN) => SHOWN[dimension][units].label;
  const check = (event: FormEvent<HTMLFormElement>) => {
    const checked = checkForm(VehicleForm, new FormData(event.currentTarget));
    const found = checked.fields ?? cardTrouble(checked.value);
    const isWrong = Object.keys(found).length > 0;
    setOwn(isWrong ? found : undefined);
    if (isWrong) event.preventDefault();
  };
  return (
    <main id="work" className="max-w-5xl p-5 lg:p-7">
      <h1 className="mb-5 text-3xl">Add a vehicle</h1>
      <Form method="post" noValidate onSubmit={check} className="flex flex-col gap-8">
        <input type="hidden" name="id" value={id} />
        <input type="hidden" name="system" value={units} />
        <fieldset className="grid gap-4 sm:grid-cols-2">
          <legend className="mb-3 border-ink border-b-2 font-bold text-xl">The vehicle</legend>
          <TextField
            label="Plate"
            name="plate"
            required
            maxLength={16}
            className="figure"
            error={fields.plate}
          />
          <TextField label="VIN" name="vin" required maxLength={20} className="figure" error={fields.vin} />
          <TextField label="Make and model" name="name" required maxLength={80} error={fields.name} />
          <TextField
            label="What it does"
            name="use"
            maxLength={80}
            hint="School run, gritter, society car"
            error={fields.use}
          />
          <TextField
            label="Distance"
            name="distance"
            inputMode="decimal"
            unit={unit("distance")}
            error={fields.distance}
          />
        </fieldset>
        <fieldset className="grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
          <legend className="mb-3 border-ink border-b-2 font-bold text-xl">
            Its cooling card, by the maker's book
          </legend>
          <TextField
            label="Holds"
            name="capacity"
            required
            inputMode="decimal"
            unit={unit("volume")}
            error={fields.capacity}
          />
          <Choice
            label="Coolant kind"
            name="coolantKind"
            defaultValue=""
            required
            hint="By the maker's approval, never by colour"
            error={fields.coolantKind}
          >
            <option value="" disabled>
              choose
            </option>
            {COOLANT_KINDS.map((kind) => (
              <option key={kind}>{kind}</option>
            ))}
          </Choice>
          <TextField label="Product" name="coolantProduct" maxLength={80} error={fields.coolantProduct} />
          <TextField
            label="Strength"
            name="strength"
            required
            inputMode="decimal"
            defaultValue="50 %"
            error={fields.strength}
          />
          <TextField
            label="Cap opens at"
            name="cap"
            required
            inputMode="decimal"
            unit={`${unit("pressure")} gauge`}
            error={fields.cap}
          />
          <TextField
            label="Thermostat opens"
            name="thermostatOpens"
            required
            inputMode="decimal"
            unit={unit("temperature")}
            error={fields.thermostatOpens}
          />
          <Choice label="Fan circuit" name="circuit" defaultValue="" error={fields.circuit}>
            <option value="">not known yet</option>
            {CIRCUIT_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {CIRCUITS[kind]}
              </option>
            ))}
          </Choice>
          <TextField
            label="Fan starts"
            name="lowOn"
            inputMode="decimal"
            unit={unit("temperature")}
            hint="The low stage, if there are two"
            error={fields.lowOn}
          />
          <TextField
            label="Fan stops"
            name="lowOff"
            inputMode="decimal"
            unit={unit("temperature")}
            error={fields.lowOff}
          />
          <Choice label="Fan feels" name="fanSenses" defaultValue="engine" error={fields.fanSenses}>
            <option value="engine">engine outlet</option>
            <option value="radiator">radiator</option>
          </Choice>
          <TextField
            label="High stage starts"
            name="highOn"
            inputMode="decimal"
            unit={unit("temperature")}
            error={fields.highOn}
          />
          <TextField
            label="High stage stops"
            name="highOff"
            inputMode="decimal"
            unit={unit("temperature")}
            error={fields.highOff}
          />
          <TextField label="Filled at" name="fillPoint" maxLength={120} error={fields.fillPoint} />
          <TextField label="Bled at" name="bleedPoints" maxLength={120} error={fields.bleedPoints} />
          <Choice label="Oil cooler" name="oilCooler" defaultValue="none" error={fields.oilCooler}>
            {OIL_COOLERS.map((kind) => (
              <option key={kind}>{kind}</option>
            ))}
          </Choice>
          <div className="sm:col-span-2">
            <TextField
              label="Coolant sensor's curve"
              name="sensorCurve"
              maxLength={300}
              className="figure"
              placeholder="20: 2500; 80: 320; 100: 180"
              hint="°C and ohms, off the maker's table; leave it open if nobody knows it"
              error={fields.sensorCurve}
            />
          </div>
        </fieldset>
        {(fields.form || answer?.refused.message) && (
          <p role="alert" className="border-ink border-l-4 pl-3 font-bold">
            {fields.form ?? answer?.refused.message}
          </p>
        )}
        <div className="flex justify-end gap-3">
          <ButtonLink to="/vehicles" weight="quiet">
            Leave it
          </ButtonLink>
          <Button type="submit" weight="main" disabled={isBusy} data-next>
            Write it down
          </Button>
        </div>
      </Form>
    </main>
  );
}
