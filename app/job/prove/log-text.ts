import { decodeLog } from "../../../core/trade/trace/index.ts";

/** A booked log's text, from the server; nothing where it can't be had. */
export async function logText(jobId: string, logId: string): Promise<string | undefined> {
  const response = await fetch(`/jobs/${jobId}/logs/${logId}/as-handed-in.csv`).catch(() => undefined);
  return response?.ok ? decodeLog(new Uint8Array(await response.arrayBuffer())) : undefined;
}
