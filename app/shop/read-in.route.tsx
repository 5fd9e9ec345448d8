import { redirect } from "react-router";
import { readInJob } from "../../server/books/jobs/read-in-job.ts";
import { notFound, Refusal } from "../../server/desk/refusal.ts";
import { guarded } from "../desk/guard.server.ts";
import { readForm } from "../desk/read-body.server.ts";

const MOST_BYTES = 50_000_000;

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

/** Takes a job file in and goes to the job that it became. */
export const action = guarded("lead", async ({ request, desk }) => {
  const file = (await readForm(request)).get("job");
  if (!(file instanceof File) || file.size === 0)
    throw new Refusal({ message: "", fields: { job: "Choose a job file first." } });
  if (file.size > MOST_BYTES)
    throw new Refusal({ status: 413, message: `That file is larger than ${MOST_BYTES / 1e6} MB.` });
  let input: unknown;
  try {
    input = JSON.parse(await file.text());
  } catch {
    throw new Refusal({
      message: "",
      fields: { job: "That is no job file. Choose one written by “The whole job as one file”." },
    });
  }
  const { id } = await readInJob(desk, input);
  return redirect(`/jobs/${id}/sign`);
});
