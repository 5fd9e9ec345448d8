import { data } from "react-router";
import { openJob } from "../../server/books/jobs/open-job.ts";
import { notFound, Refusal } from "../../server/desk/refusal.ts";
import { checkForm } from "../desk/forms.ts";
import { guarded } from "../desk/guard.server.ts";
import { readJson } from "../desk/read-body.server.ts";
import { OpenJobForm } from "./open-job.form.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

/** Opens a job on a vehicle, once however often it is sent. The answer names it. */
export const action = guarded("desk", async ({ request, params, desk }) => {
  const checked = checkForm(OpenJobForm, await readJson(request));
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const { id, bay, assignedTo = null } = checked.value;
  await desk((given) =>
    openJob(given, { id, bay: bay.trim(), assignedTo, vehicleId: params.vehicleId ?? "" }),
  );
  return data({ lastSeq: 0, booked: [id] });
});
