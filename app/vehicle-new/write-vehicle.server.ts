import { Refusal } from "../../server/desk/refusal.ts";
import { addVehicle } from "../../server/subjects/vehicles/add-vehicle.ts";
import { checkForm } from "../desk/forms.ts";
import type { Visit } from "../desk/guard.server.ts";
import { cardOf, cardTrouble } from "./card.form.ts";
import { VehicleForm } from "./vehicle.form.ts";

/** Writes down a vehicle as its form was posted, once however often it comes; answers with its id, or refuses by field. */
export async function writeVehicle(posted: unknown, desk: Visit["desk"]): Promise<string> {
  const checked = checkForm(VehicleForm, posted);
  const fields = checked.fields ?? cardTrouble(checked.value);
  if (!checked.value || Object.keys(fields).length > 0) throw new Refusal({ message: "", fields });
  const { id, plate, vin, name, use, distance = null } = checked.value;
  const card = cardOf(checked.value);
  await desk((given) => addVehicle(given, { id, plate, vin, name, use, distanceKm: distance, card }));
  return id;
}
