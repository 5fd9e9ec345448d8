import { openArchive } from "../../server/archive/open-archive.ts";
import { readInJob } from "../../server/books/jobs/read-in-job.ts";
import { notFound } from "../../server/desk/refusal.ts";
import { guarded } from "../desk/guard.server.ts";
import { withPostedArchive } from "../desk/read-upload.server.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

/** Takes a job's archive in and says which job it became. */
export const action = guarded("lead", ({ request, desk }) =>
  withPostedArchive(request, async (path) => {
    const archive = await openArchive(path);
    try {
      const { id } = await readInJob(desk, undefined, archive);
      return { id };
    } finally {
      archive.close();
    }
  }),
);
