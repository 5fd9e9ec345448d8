import { promisify } from "node:util";
import { gunzip } from "node:zlib";
import { decodeLog } from "../../../core/trade/trace/index.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound } from "../../desk/refusal.ts";

const expand = promisify(gunzip);

/** A booked log as it was handed in, byte for byte, and as text. */
export async function readLog(
  { models, transaction }: Desk,
  jobId: string,
  logId: string,
): Promise<{ name: string; bytes: Uint8Array; text: string }> {
  const log =
    isId(jobId) && isId(logId)
      ? await models.Log.findOne({ where: { id: logId, jobId }, transaction })
      : null;
  if (!log) throw notFound("That log");
  const bytes = await expand(log.content);
  return { name: log.name, bytes, text: decodeLog(bytes) };
}
