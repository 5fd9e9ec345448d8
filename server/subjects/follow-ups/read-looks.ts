import { dayInZone } from "../../../core/kernel/days/index.ts";
import type { DrivingPattern, FollowUpRule } from "../../../core/trade/follow-ups/index.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound } from "../../desk/refusal.ts";
import { readDriving } from "./read-driving.ts";
import { readRules } from "./read-rules.ts";

/** What second looks of a job are told by: the shop's rules, how the vehicle is driven, and the day that it is in the shop. */
export interface LooksToldBy {
  rules: FollowUpRule[];
  driving: DrivingPattern | null;
  today: string;
}

export async function readLooks(desk: Desk, jobId: string, timeZone: string): Promise<LooksToldBy> {
  const job = isId(jobId)
    ? await desk.models.Job.findOne({
        where: { id: jobId },
        attributes: ["vehicleId"],
        transaction: desk.transaction,
      })
    : null;
  if (!job) throw notFound("That job");
  return {
    rules: await readRules(desk),
    driving: (await readDriving(desk, job.vehicleId)) ?? null,
    today: dayInZone(desk.now, timeZone),
  };
}
