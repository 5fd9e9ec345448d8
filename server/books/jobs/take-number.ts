import type { Desk } from "../../database/connection.ts";

/** The shop's next job number; the shop's row is held until the transaction ends, so that none is given twice. */
export async function takeNumber({ sequelize, transaction, shopId }: Desk): Promise<number> {
  const [[counter]] = await sequelize.query(
    "UPDATE shops SET last_job_number = last_job_number + 1 WHERE id = $1 RETURNING last_job_number",
    { bind: [shopId], transaction },
  );
  return (counter as { last_job_number: number }).last_job_number;
}

/** A number that became no job's is the next one's, unless the next one has been given already. */
export async function giveNumberBack(
  { sequelize, transaction, shopId }: Desk,
  number: number,
): Promise<void> {
  await sequelize.query(
    "UPDATE shops SET last_job_number = last_job_number - 1 WHERE id = $1 AND last_job_number = $2",
    { bind: [shopId, number], transaction },
  );
}
