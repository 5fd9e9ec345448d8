import { data } from "react-router";
import { readLiveLog } from "../../../server/books/live/read-live-log.ts";
import { guarded } from "../../desk/guard.server.ts";

/** What of a live log came since the number that it was asked with. */
export const loader = guarded("desk", async ({ url, params, desk }) => {
  const { jobId = "", logId = "" } = params;
  const after = url.searchParams.get("after") ?? undefined;
  return data(await desk((given) => readLiveLog(given, jobId, logId, after)));
});
