import { data } from "react-router";
import { ownCard, takeCard } from "../../server/cards/take-card.ts";
import { notFound, Refusal } from "../../server/desk/refusal.ts";
import { identifyVehicle } from "../../server/subjects/vehicles/identify-vehicle.ts";
import { checkForm } from "../desk/forms.ts";
import { guarded } from "../desk/guard.server.ts";
import { readForm } from "../desk/read-body.server.ts";
import { keptPosting } from "../kept/posting.ts";
import { IdentityForm } from "./identity.form.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

/** What a vehicle is; or, by the last word of the address, its card taken from another of its model, and looked at. */
export const action = guarded("technician", async ({ request, params, desk }) => {
  const { vehicleId = "", what } = params;
  const form = await readForm(request);
  if (what === "take-card") await desk((given) => takeCard(given, vehicleId));
  else if (what === "own-card") await desk((given) => ownCard(given, vehicleId));
  else if (what === "identity") {
    const checked = checkForm(IdentityForm, form);
    if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
    const { name, vin, use } = checked.value;
    await desk((given) => identifyVehicle(given, vehicleId, { name, vin: vin || null, use }));
  } else throw notFound("That");
  return data({ isDone: true });
});

export const clientAction = keptPosting();
