import { redirect, useLoaderData, useNavigation } from "react-router";
import { changeCard } from "../../server/cards/change-card.ts";
import { ownCard } from "../../server/cards/take-card.ts";
import { Refusal } from "../../server/desk/refusal.ts";
import { readVehicle } from "../../server/subjects/vehicles/read-vehicle.ts";
import { checkForm } from "../desk/forms.ts";
import { guarded } from "../desk/guard.server.ts";
import { useMember } from "../desk/member.ts";
import { readForm } from "../desk/read-body.server.ts";
import { keptPosting } from "../kept/posting.ts";
import { keptReading } from "../kept/reading.ts";
import { Button, ButtonLink } from "../ui/Button.tsx";
import { CardFields } from "../vehicle-new/CardFields.tsx";
import { CardForm, cardOf, cardTrouble } from "../vehicle-new/card.form.ts";
import { KeptForm } from "../vehicle-new/KeptForm.tsx";

export const meta = () => [{ title: "Cooling card · Warm Ledger" }];

export const loader = guarded("technician", async ({ params, desk }) => {
  const { vehicle, card } = await desk((given) => readVehicle(given, params.vehicleId ?? ""));
  return { vehicle, card };
});

/** Writes the card anew; each change is kept with who made it. */
export const action = guarded("technician", async ({ request, params, desk }) => {
  const checked = checkForm(CardForm, await readForm(request));
  const fields = checked.fields ?? cardTrouble(checked.value);
  if (!checked.value || Object.keys(fields).length > 0) throw new Refusal({ message: "", fields });
  const card = cardOf(checked.value);
  await desk(async (given) => {
    await changeCard(given, params.vehicleId ?? "", card);
    await ownCard(given, params.vehicleId ?? "");
  });
  return redirect(`/vehicles/${params.vehicleId}`);
});

export const clientLoader = keptReading<Awaited<ReturnType<typeof loader>>>("vehicle-card/route");

export const clientAction = keptPosting();

export default function CardPage() {
  const { vehicle, card } = useLoaderData<typeof loader>();
  const { units } = useMember();
  const isBusy = useNavigation().state !== "idle";
  return (
    <main id="work" className="max-w-5xl p-5 lg:p-7">
      <h1 className="mb-1 text-3xl">
        Cooling card of <span className="figure">{vehicle.plate}</span>
      </h1>
      <p className="mb-5 text-ink-2">
        Every change is kept on the vehicle's page, with who made it and when.
      </p>
      <KeptForm form={CardForm} draftKey={`card:${vehicle.id}:${units}`}>
        {(fields) => (
          <>
            <input type="hidden" name="system" value={units} />
            <CardFields fields={fields} card={card} />
            <div className="flex justify-end gap-3">
              <ButtonLink to={`/vehicles/${vehicle.id}`} weight="quiet">
                Leave it
              </ButtonLink>
              <Button type="submit" weight="main" disabled={isBusy}>
                Change the card
              </Button>
            </div>
          </>
        )}
      </KeptForm>
    </main>
  );
}
