import { promisify } from "node:util";
import { gunzip } from "node:zlib";
import type { Desk } from "../database/connection.ts";
import { notFound } from "../refusal.ts";
import { isId } from "../vehicles/read-vehicle.ts";

const expand = promisify(gunzip);

/** A booked log as it was handed in, letter for letter. */
export async function readLog(
  { models, transaction }: Desk,
  jobId: string,
  logId: string,
): Promise<{ name: string; text: string }> {
  const log =
    isId(jobId) && isId(logId)
      ? await models.Log.findOne({ where: { id: logId, jobId }, transaction })
      : null;
  if (!log) throw notFound("That log");
  return { name: log.name, text: (await expand(log.content)).toString("utf8") };
}
