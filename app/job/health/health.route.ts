import { data } from "react-router";
import { readHealthOfJob } from "../../../server/subjects/vehicles/read-health.ts";
import { guarded } from "../../desk/guard.server.ts";

/** The logs of a job's vehicle, in all its jobs, and what was read of its health by them. */
export const loader = guarded("desk", async ({ params, desk }) =>
  data(await desk((given) => readHealthOfJob(given, params.jobId ?? ""))),
);
