import { jobArchive } from "../../../server/books/jobs/job-archive.ts";
import { guarded } from "../../desk/guard.server.ts";
import { sendArchive } from "../../desk/send-archive.server.ts";

/** The whole job with its logs and pictures, as docs/formats says. */
export const loader = guarded("desk", async ({ params, desk }) => {
  const { number, content } = await jobArchive(desk, params.jobId ?? "");
  return sendArchive(content, `job-${number}.zip`);
});
