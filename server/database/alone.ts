import type { Desk } from "./connection.ts";

/** Lets one transaction of a shop at a time do such a thing, so that what it finds missing is still missing as it writes. */
export async function alone(
  { sequelize, transaction, shopId }: Pick<Desk, "sequelize" | "transaction" | "shopId">,
  what: string,
): Promise<void> {
  await sequelize.query("SELECT pg_advisory_xact_lock(hashtextextended($1, 0))", {
    bind: [`${what}:${shopId}`],
    transaction,
  });
}
