import { redirect } from "react-router";
import { takeIn } from "../../server/books/jobs/take-in.ts";
import { notFound, Refusal } from "../../server/desk/refusal.ts";
import { checkForm } from "../desk/forms.ts";
import { guarded } from "../desk/guard.server.ts";
import { readForm } from "../desk/read-body.server.ts";
import { keptPosting } from "../kept/posting.ts";
import { TakeInForm } from "./take-in.form.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

/** A car by its plate alone: its vehicle, a job on it, and on to Ask. */
export const action = guarded("desk", async ({ request, desk }) => {
  const checked = checkForm(TakeInForm, await readForm(request));
  if (checked.fields)
    throw new Refusal({ message: Object.values(checked.fields).join(" "), fields: checked.fields });
  const jobId = await desk((given) => takeIn(given, checked.value));
  return redirect(`/jobs/${jobId}`);
});

export const clientAction = keptPosting();
