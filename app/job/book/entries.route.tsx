import { data } from "react-router";
import { notFound, Refusal } from "../../../server/desk/refusal.ts";
import { recordEntries } from "../../../server/entries/record-entries.ts";
import { byServersClock } from "../../desk/clock.ts";
import { guarded } from "../../desk/guard.server.ts";
import { readJson } from "../../desk/read-body.server.ts";
import { CLOCK_HEADER } from "../../outbox/send.ts";
import { checkEntries } from "./entry.form.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

/** Books entries, each once however often it is sent. The answer names what is booked. */
export const action = guarded("desk", async ({ request, params, desk, member }) => {
  const checked = checkEntries(await readJson(request));
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const { entries } = checked.value;
  const clock = request.headers.get(CLOCK_HEADER);
  const booked = await desk((given) =>
    recordEntries(
      given,
      params.jobId ?? "",
      entries.map((entry) => ({ ...entry, at: byServersClock(entry.at, clock, given.now) })),
      { byDesk: member.role === "desk" },
    ),
  );
  return data({ ...booked, booked: entries.map(({ id }) => id) });
});
