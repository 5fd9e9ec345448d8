import { data } from "react-router";
import { dayInZone, momentInZone } from "../../../core/kernel/days/index.ts";
import { isId } from "../../../server/desk/is-id.ts";
import { notFound, Refusal } from "../../../server/desk/refusal.ts";
import { typedAt } from "../../../server/desk/typed-at.ts";
import { type LevelsOf, readLevels, readLift } from "../../../server/subjects/levels/read-levels.ts";
import { strikeLevel, takeLevel } from "../../../server/subjects/levels/take-level.ts";
import { byServersClock } from "../../desk/clock.ts";
import { checkForm } from "../../desk/forms.ts";
import { guarded } from "../../desk/guard.server.ts";
import { readPosted } from "../../desk/read-body.server.ts";
import { keptPosting } from "../../kept/posting.ts";
import { isOwnWord } from "../../kept/reading.ts";
import { CLOCK_HEADER } from "../../outbox/send.ts";
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

/** A level taken now, kept by a browser until now, or of a day before; or one struck by its id. */
export const action = guarded("technician", async ({ request, params, desk, member }) => {
  const { vehicleId = "" } = params;
  const { isJson, posted } = await readPosted(request);
  const struck = posted instanceof FormData ? posted.get("strike") : null;
  if (typeof struck === "string") {
    await desk((given) => strikeLevel(given, vehicleId, struck));
    return data({ isDone: true });
  }
  const checked = checkForm(LevelForm, posted);
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const { id, toppedUp = 0, distance = null, heat, minimum = null, told = null, on, at } = checked.value;
  const clock = request.headers.get(CLOCK_HEADER);
  await desk(async (given) => {
    const below = howFarBelow(checked.value, member.units, await readLift(given, vehicleId));
    if ("fields" in below) throw new Refusal({ message: "", fields: below.fields });
    const typed = at === undefined ? given.now : typedAt(byServersClock(at, clock, given.now), given.now);
    const isToday = on === undefined || on === dayInZone(typed, member.timeZone);
    const lookedAt = isToday ? typed : new Date(momentInZone(on, member.timeZone));
    const taken = {
      id,
      at: lookedAt,
      toppedUpL: toppedUp,
      distanceKm: distance,
      heat,
      minimumL: minimum,
      told,
      ...below,
    };
    await takeLevel(given, vehicleId, taken, member.units);
  });
  return data(isJson ? { lastSeq: 0, booked: [id] } : { isDone: true });
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
