import { randomUUID } from "node:crypto";
import { Form, Link, redirect, useActionData, useLoaderData, useNavigation } from "react-router";
import { openJob } from "../../server/jobs/open-job.ts";
import { Refusal } from "../../server/refusal.ts";
import { readShop } from "../../server/shops/read-shop.ts";
import { readVehicle } from "../../server/vehicles/read-vehicle.ts";
import { checkForm } from "../shell/forms.ts";
import { guarded, type Refused } from "../shell/guard.server.ts";
import { useMember } from "../shell/member.ts";
import { readForm } from "../shell/read-body.server.ts";
import { Button, ButtonLink } from "../ui/Button.tsx";
import { Choice, TextField } from "../ui/Field.tsx";
import { Figure } from "../ui/Figure.tsx";
import { CardChanges } from "./CardChanges.tsx";
import { CoolingCard } from "./CoolingCard.tsx";
import { OpenJobForm } from "./open-job.form.ts";
import { PartLives } from "./PartLives.tsx";
import { Timeline } from "./Timeline.tsx";

export const meta = () => [{ title: "Vehicle · Warm Ledger" }];

export const loader = guarded("desk", async ({ params, desk }) => {
  const page = await desk((given) => readVehicle(given, params.vehicleId ?? ""));
  const { people } = await desk(readShop);
  return {
    ...page,
    newJobId: randomUUID(),
    people: people.filter((person) => person.role !== "desk").map(({ id, name }) => ({ id, name })),
  };
});

export const action = guarded("desk", async ({ request, params, desk }) => {
  const form = await readForm(request);
  if (form.get("assignedTo") === "") form.delete("assignedTo");
  const checked = checkForm(OpenJobForm, form);
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const { id, bay, assignedTo = null } = checked.value;
  await desk((given) =>
    openJob(given, { id, bay: bay.trim(), assignedTo, vehicleId: params.vehicleId ?? "" }),
  );
  return redirect(`/jobs/${id}/ask`);
});

export default function VehiclePage() {
  const { vehicle, card, changes, jobs, parts, levels, people, newJobId } = useLoaderData<typeof loader>();
  const { units, personId, role, timeZone } = useMember();
  const answer = useActionData() as Refused | undefined;
  const isBusy = useNavigation().state !== "idle";
  const open = jobs.find((job) => !job.signedAt);
  return (
    <main id="work" className="p-5 lg:p-7">
      <header className="mb-6 flex flex-wrap items-end justify-between gap-x-8 gap-y-4 border-ink border-b-2 pb-4">
        <div>
          <h1 className="figure text-4xl">{vehicle.plate}</h1>
          <p className="text-xl">
            {vehicle.name} <span className="text-ink-2">{vehicle.use}</span>
          </p>
          <p className="text-ink-2">
            <span className="figure">{vehicle.vin}</span>
            {vehicle.distanceKm !== null && (
              <>
                {" · "}
                <Figure value={vehicle.distanceKm} dimension="distance" system={units} />
              </>
            )}
          </p>
        </div>
        {open ? (
          <ButtonLink to={`/jobs/${open.id}`} weight="main" data-next>
            Go on with job {open.number}
          </ButtonLink>
        ) : (
          <Form method="post" className="flex flex-wrap items-end gap-3">
            <input type="hidden" name="id" value={newJobId} />
            <div className="w-40">
              <TextField
                label="Bay"
                name="bay"
                maxLength={40}
                placeholder="lift 1"
                error={answer?.refused.fields.bay}
              />
            </div>
            <div className="w-48">
              <Choice
                label="Who"
                name="assignedTo"
                defaultValue={people.some((person) => person.id === personId) ? personId : ""}
                error={answer?.refused.fields.assignedTo}
              >
                <option value="">nobody yet</option>
                {people.map((person) => (
                  <option key={person.id} value={person.id}>
                    {person.name}
                  </option>
                ))}
              </Choice>
            </div>
            <Button type="submit" weight="main" disabled={isBusy} data-next>
              Open a job
            </Button>
            {answer?.refused.message && (
              <p role="alert" className="w-full border-ink border-l-4 pl-3 font-bold">
                {answer.refused.message}
              </p>
            )}
          </Form>
        )}
      </header>
      <div className="grid gap-8 xl:grid-cols-[24rem_1fr]">
        <div className="self-start">
          <CoolingCard card={card} system={units} />
          {role !== "desk" && (
            <ButtonLink to={`/vehicles/${vehicle.id}/card`} className="mt-3">
              {card ? "Change the card" : "Write the card"}
            </ButtonLink>
          )}
          <CardChanges changes={changes} timeZone={timeZone} system={units} />
        </div>
        <div className="flex flex-col gap-8">
          <Timeline jobs={jobs} />
          <PartLives parts={parts} levels={levels} />
        </div>
      </div>
      <p className="mt-8 text-ink-2">
        The vehicle maker's instructions come before this card.{" "}
        <Link to="/vehicles" className="underline underline-offset-4">
          All vehicles
        </Link>
      </p>
    </main>
  );
}
