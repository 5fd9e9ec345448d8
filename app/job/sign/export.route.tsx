import { exportJob } from "../../../server/books/jobs/export-job.ts";
import { guarded } from "../../desk/guard.server.ts";

/** The whole job as JSON, laid out as docs/formats/job.schema.json says. */
export const loader = guarded("desk", async ({ params, desk }) => {
  const job = await desk((given) => exportJob(given, params.jobId ?? ""));
  return new Response(`${JSON.stringify(job, null, 2)}\n`, {
    headers: {
      "Content-Type": "application/json; charset=utf-8",
      "Content-Disposition": `attachment; filename="job-${job.job.number}.json"`,
    },
  });
});
