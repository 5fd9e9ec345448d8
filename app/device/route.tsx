import { redirect } from "react-router";
import { Refusal } from "../../server/desk/refusal.ts";
import { findTiles, takeUpInvitation } from "../../server/subjects/people/devices.ts";
import { deviceCookie, readCookie } from "../desk/cookies.server.ts";
import { database } from "../desk/database.server.ts";
import { openToAll } from "../desk/guard.server.ts";

/**
 * Opened once in a browser of the shop's, with the address that a lead was given for it: from then on it shows the name tiles.
 * A browser's own token opens it again where it stands.
 */
export const loader = openToAll(async ({ request, params }) => {
  const { token } = params;
  const own = (await findTiles(database(), token)) ? token : await takeUpInvitation(database(), token);
  if (own) return redirect("/sign-in", { headers: { "Set-Cookie": await deviceCookie.serialize(own) } });
  // Opened a second time where it was taken up: nothing is wrong.
  if (await findTiles(database(), await readCookie(deviceCookie, request))) return redirect("/sign-in");
  throw new Refusal({
    status: 404,
    message: "This address was used already, or its hour is over. Ask a lead for a new one.",
  });
});

export default function Device() {
  return null;
}
