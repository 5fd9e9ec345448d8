import { data } from "react-router";
import { notFound } from "../../server/desk/refusal.ts";
import { guarded } from "../desk/guard.server.ts";
import { readJson } from "../desk/read-body.server.ts";
import { writeVehicle } from "./write-vehicle.server.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

/** A vehicle that was written down in a browser while there was no server to be had. */
export const action = guarded("desk", async ({ request, desk }) => {
  const id = await writeVehicle(await readJson(request), desk);
  return data({ lastSeq: 0, booked: [id] });
});
