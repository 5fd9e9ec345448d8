import { data } from "react-router";
import { signJob } from "../../../server/books/jobs/sign-job.ts";
import { notFound, Refusal } from "../../../server/desk/refusal.ts";
import { lastSeq } from "../../../server/entries/last-seq.ts";
import { checkForm } from "../../desk/forms.ts";
import { guarded } from "../../desk/guard.server.ts";
import { readJson } from "../../desk/read-body.server.ts";
import { SignForm } from "./sign.form.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

/** Signs a job, once however often it is sent. The answer names the line that the signature became. */
export const action = guarded("technician", async ({ request, params, desk }) => {
  const checked = checkForm(SignForm, await readJson(request));
  if (checked.fields) throw new Refusal({ message: "", fields: checked.fields });
  const jobId = params.jobId ?? "";
  const last = await desk(async (given) => {
    await signJob(given, jobId, checked.value);
    return lastSeq(given, jobId);
  });
  return data({ lastSeq: last, booked: [checked.value.id] });
});
