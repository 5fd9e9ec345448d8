import { readAddress } from "../../adapter/adapter-address.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound } from "../../desk/refusal.ts";
import { liveLogsOf } from "./live-log.ts";

/** What there is to record and what was: for whoever opens the tool. */
export interface LiveOfJob {
  hasAdapter: boolean;
  /** What a stand-in is to be told, where the shop's adapter is one. */
  standIn?: string;
  logs: { id: string; startedAt: string; endedAt?: string }[];
}

/** The adapter that a job's car can be plugged into, and its logs that are neither kept nor thrown away, the newest first. */
export async function liveOfJob(desk: Desk, jobId: string): Promise<LiveOfJob> {
  const { models, transaction, shopId } = desk;
  const job = isId(jobId)
    ? await models.Job.findOne({ where: { id: jobId }, attributes: ["vehicleId"], transaction })
    : null;
  if (!job) throw notFound("That job");
  const shop = await models.Shop.findByPk(shopId, { attributes: ["adapter"], transaction });
  const address = readAddress(shop?.adapter);
  const vehicle = await models.Vehicle.findOne({
    where: { id: job.vehicleId },
    attributes: ["name"],
    transaction,
  });
  const model = vehicle?.name.split(" ").at(-1)?.toLowerCase() ?? "";
  const logs = await liveLogsOf(desk, jobId);
  return {
    hasAdapter: address !== undefined,
    ...(shop?.adapter?.isStandIn && { standIn: `car ${model} pace 10` }),
    logs: logs.map(({ id, startedAt, endedAt }) => ({
      id,
      startedAt: startedAt.toISOString(),
      ...(endedAt && { endedAt: endedAt.toISOString() }),
    })),
  };
}
