import { data, redirect } from "react-router";
import { takeIn } from "../../server/books/jobs/take-in.ts";
import { notFound, Refusal } from "../../server/desk/refusal.ts";
import { checkForm } from "../desk/forms.ts";
import { guarded } from "../desk/guard.server.ts";
import { readPosted } from "../desk/read-body.server.ts";
import { keptPosting } from "../kept/posting.ts";
import { TakeInForm } from "./take-in.form.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

/** A car by its plate alone: its vehicle, a job on it, and on to Ask; told by id to whom kept it until there was a server. */
export const action = guarded("desk", async ({ request, desk }) => {
  const { isJson, posted } = await readPosted(request);
  const checked = checkForm(TakeInForm, posted);
  if (checked.fields)
    throw new Refusal({ message: Object.values(checked.fields).join(" "), fields: checked.fields });
  const jobId = await desk((given) => takeIn(given, checked.value));
  if (isJson) return data({ lastSeq: 0, booked: [checked.value.jobId], bookedIn: jobId });
  return redirect(`/jobs/${jobId}`);
});

export const clientAction = keptPosting();
