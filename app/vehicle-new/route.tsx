import { randomUUID } from "node:crypto";
import { Link, redirect, useLoaderData, useNavigate, useNavigation } from "react-router";
import { v4 as newId } from "uuid";
import { SHOWN } from "../../core/kernel/units/index.ts";
import { guarded } from "../desk/guard.server.ts";
import { useMember } from "../desk/member.ts";
import { readForm } from "../desk/read-body.server.ts";
import { keptPosting } from "../kept/posting.ts";
import { keptReading } from "../kept/reading.ts";
import { useOutbox } from "../outbox/OutboxProvider.tsx";
import { Button, ButtonLink } from "../ui/Button.tsx";
import { TextField } from "../ui/Field.tsx";
import { CardFields } from "./CardFields.tsx";
import { KeptForm } from "./KeptForm.tsx";
import { VehicleForm } from "./vehicle.form.ts";
import { writeVehicle } from "./write-vehicle.server.ts";

export const meta = () => [{ title: "Add a vehicle · Warm Ledger" }];

export const loader = guarded("desk", async () => ({ id: randomUUID() }));

export const action = guarded("desk", async ({ request, desk }) => {
  const id = await writeVehicle(await readForm(request), desk);
  return redirect(`/vehicles/${id}`);
});

/** The form can be filled in without a server, and waits for one. */
export const clientLoader = keptReading<{ id: string }>("vehicle-new/route", async () => ({ id: newId() }));

/** The id is made once for each form: sent twice it is one vehicle. */
export const shouldRevalidate = () => false;

export const clientAction = keptPosting();

export default function AddVehicle() {
  const { id } = useLoaderData<typeof loader>();
  const { units } = useMember();
  const isBusy = useNavigation().state !== "idle";
  const outbox = useOutbox();
  const navigate = useNavigate();
  const keep = (fields: Record<string, string>) => {
    const now = Date.now();
    const text = `new vehicle ${fields.plate ?? ""}`;
    const line = { id, kind: "note" as const, text, stage: "ask" as const, at: new Date(now).toISOString() };
    void outbox.add(id, [line], now, { kind: "vehicle", fields }).then(() => navigate("/vehicles"));
  };
  const unit = (dimension: keyof typeof SHOWN) => SHOWN[dimension][units].label;
  return (
    <main id="work" className="max-w-5xl p-5 lg:p-7">
      <h1 className="text-3xl">Add a vehicle</h1>
      <p className="mb-5 text-ink-2">
        With all that is known. In a hurry the plate alone will do: type it under{" "}
        <Link to="/vehicles" className="underline underline-offset-4">
          Vehicles
        </Link>
        .
      </p>
      <KeptForm form={VehicleForm} draftKey={`vehicle-new:${units}`} onCutOff={keep}>
        {(fields) => (
          <>
            <input type="hidden" name="id" value={id} />
            <input type="hidden" name="system" value={units} />
            <fieldset className="grid gap-4 sm:grid-cols-2">
              <legend className="mb-3 border-ink border-b-2 font-bold text-xl">The vehicle</legend>
              <TextField
                label="Plate"
                name="plate"
                autoCapitalize="characters"
                required
                maxLength={16}
                className="figure"
                error={fields.plate}
              />
              <TextField
                label="VIN"
                name="vin"
                autoCapitalize="characters"
                required
                maxLength={20}
                className="figure"
                error={fields.vin}
              />
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
            <CardFields fields={fields} />
            <div className="flex justify-end gap-3">
              <ButtonLink to="/vehicles" weight="quiet">
                Leave it
              </ButtonLink>
              <Button type="submit" weight="main" disabled={isBusy}>
                Write it down
              </Button>
            </div>
          </>
        )}
      </KeptForm>
    </main>
  );
}
