import { data } from "react-router";
import { notFound, Refusal } from "../../server/desk/refusal.ts";
import { ownVehicle } from "../../server/subjects/vehicles/own-vehicle.ts";
import { checkForm } from "../desk/forms.ts";
import { guarded } from "../desk/guard.server.ts";
import { readForm } from "../desk/read-body.server.ts";
import { keptPosting } from "../kept/posting.ts";
import { OwnerForm } from "./owner.form.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

/** Whose a vehicle is, written by whoever answers the telephone; or, by the last word of the address, forgotten. */
export const action = guarded("desk", async ({ request, params, desk }) => {
  const { vehicleId = "", what } = params;
  const form = await readForm(request);
  if (what === "forget") {
    await desk((given) => ownVehicle(given, vehicleId, { name: "", phone: "" }));
    return data({ isDone: true });
  }
  if (what !== "write") throw notFound("That");
  const checked = checkForm(OwnerForm, form);
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const { ownerName, ownerPhone } = checked.value;
  await desk((given) => ownVehicle(given, vehicleId, { name: ownerName, phone: ownerPhone }));
  return data({ isDone: true });
});

export const clientAction = keptPosting();
