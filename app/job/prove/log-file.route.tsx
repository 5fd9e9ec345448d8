import { readTrace, writeTrace } from "../../../core/trade/trace/index.ts";
import { readLog } from "../../../server/books/logs/read-log.ts";
import { notFound } from "../../../server/desk/refusal.ts";
import { guarded } from "../../desk/guard.server.ts";

const safeName = (name: string) => name.replace(/[^\w .-]/g, "_");

/** A booked log for download: as it was handed in, or in our own layout. */
export const loader = guarded("desk", async ({ params, desk }) => {
  const { jobId = "", logId = "", file } = params;
  if (file !== "warm-up.csv" && file !== "as-handed-in.csv") throw notFound("A file of that name");
  const { name, bytes, text } = await desk((given) => readLog(given, jobId, logId));
  const { trace } = file === "warm-up.csv" ? readTrace(text) : {};
  const fileName = file === "warm-up.csv" ? "warm-up.csv" : safeName(name);
  return new Response(trace ? writeTrace(trace) : new Uint8Array(bytes), {
    headers: {
      "Content-Type": trace ? "text/csv; charset=utf-8" : "text/csv",
      "Content-Disposition": `attachment; filename="${fileName}"`,
    },
  });
});
