import { notFound } from "../../server/desk/refusal.ts";
import { findCalendar } from "../../server/subjects/follow-ups/calendar.ts";
import { database } from "../desk/database.server.ts";
import { openToAll } from "../desk/guard.server.ts";

/** The shop's second looks for any calendar that knows the secret in the address; a guess opens nothing. */
export const loader = openToAll(async ({ params, origin }) => {
  const token = (params.file ?? "").replace(/\.ics$/, "");
  const text = await findCalendar(database(), token, origin);
  if (text === undefined) throw notFound("A calendar at this address");
  return new Response(text, {
    headers: { "Content-Type": "text/calendar; charset=utf-8", "Cache-Control": "private, max-age=900" },
  });
});
