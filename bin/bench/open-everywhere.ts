import { randomUUID } from "node:crypto";
import { SHOP_ID } from "../../demo/seed.ts";
import { demoId } from "../../demo/story.ts";
import { openJob } from "../../server/books/jobs/open-job.ts";
import { atDesk, type Database } from "../../server/database/connection.ts";

/** Opens a job on every vehicle of the made-up shop that has none; answers with all open ones. */
export async function openEverywhere(app: Database): Promise<string[]> {
  const who = { shopId: SHOP_ID, personId: demoId("person:tobin") };
  return atDesk(app, who, async (desk) => {
    const { models, transaction } = desk;
    const open = await models.Job.findAll({ where: { signedAt: null }, transaction });
    const vehicles = await models.Vehicle.findAll({ transaction });
    const jobs = open.map(({ id }) => id);
    for (const { id: vehicleId } of vehicles) {
      if (open.some((job) => job.vehicleId === vehicleId)) continue;
      jobs.push((await openJob(desk, { id: randomUUID(), vehicleId, bay: "", assignedTo: null })).id);
    }
    return jobs;
  });
}
