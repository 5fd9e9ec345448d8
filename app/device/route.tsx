import { redirect } from "react-router";
import { findTiles } from "../../server/people/devices.ts";
import { Refusal } from "../../server/refusal.ts";
import { deviceCookie } from "../shell/cookies.server.ts";
import { database } from "../shell/database.server.ts";
import { openToAll } from "../shell/guard.server.ts";

/** Opened once in a browser of the shop's, with the address that enrolling it gave: from then on it shows the name tiles. */
export const loader = openToAll(async ({ params }) => {
  if (!(await findTiles(database(), params.token)))
    throw new Refusal({ status: 404, message: "This enrolment is not known. Ask a lead for a new one." });
  return redirect("/sign-in", { headers: { "Set-Cookie": await deviceCookie.serialize(params.token) } });
});

export default function Device() {
  return null;
}
