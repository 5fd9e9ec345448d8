import type { Scratch } from "../../server/testing/scratch-database.ts";

/** So many hours pass for a job: everything in its book was so much earlier. The page has to be read anew. */
export async function hoursPass(
  { scratch }: { scratch: Scratch },
  job: string,
  hours: number,
): Promise<void> {
  const { sequelize } = scratch.owner;
  await sequelize.query("ALTER TABLE entries DISABLE TRIGGER USER");
  await sequelize.query("UPDATE entries SET at = at - $1 * interval '1 hour' WHERE job_id = $2", {
    bind: [hours, job],
  });
  await sequelize.query("ALTER TABLE entries ENABLE TRIGGER USER");
}
