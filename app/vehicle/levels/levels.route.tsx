import { data } from "react-router";
import { isId } from "../../../server/desk/is-id.ts";
import { notFound, Refusal } from "../../../server/desk/refusal.ts";
import { type LevelsOf, readLevels, readLift } from "../../../server/subjects/levels/read-levels.ts";
import { strikeLevel, takeLevel } from "../../../server/subjects/levels/take-level.ts";
import { checkForm } from "../../desk/forms.ts";
import { guarded } from "../../desk/guard.server.ts";
import { readForm } from "../../desk/read-body.server.ts";
import { keptPosting } from "../../kept/posting.ts";
import { isOwnWord } from "../../kept/reading.ts";
import type { Route } from "./+types/levels.route";
import { howFarBelow } from "./how-far-below.ts";
import { LevelForm } from "./level.form.ts";

/** The levels of one vehicle, for a page that is about something else. */
export const loader = guarded("desk", async ({ params, desk }) => {
  const { vehicleId = "" } = params;
  const of = isId(vehicleId)
    ? (await desk((given) => readLevels(given, [vehicleId]))).get(vehicleId)
    : undefined;
  if (!of) throw notFound("That vehicle");
  return data(of);
});

/** A level taken now, or one struck by its id. */
export const action = guarded("technician", async ({ request, params, desk, member }) => {
  const { vehicleId = "" } = params;
  const form = await readForm(request);
  const struck = form.get("strike");
  if (typeof struck === "string") {
    await desk((given) => strikeLevel(given, vehicleId, struck));
    return data({ isDone: true });
  }
  const checked = checkForm(LevelForm, form);
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const { id, toppedUp = 0, distance = null, heat, minimum = null, told = null } = checked.value;
  await desk(async (given) => {
    const below = howFarBelow(checked.value, member.units, await readLift(given, vehicleId));
    if ("fields" in below) throw new Refusal({ message: "", fields: below.fields });
    const taken = { id, toppedUpL: toppedUp, distanceKm: distance, heat, minimumL: minimum, told, ...below };
    await takeLevel(given, vehicleId, taken, member.units);
  });
  return data({ isDone: true });
});

/** Beside a page that is about something else: without a server it says nothing, and takes no page down. */
export async function clientLoader({ serverLoader }: Route.ClientLoaderArgs): Promise<LevelsOf | null> {
  try {
    return await serverLoader();
  } catch (error) {
    if (isOwnWord(error)) throw error;
    return null;
  }
}

export const clientAction = keptPosting();
