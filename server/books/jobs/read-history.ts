import type { Desk } from "../../database/connection.ts";

/** How often each hypothesis is the verdict of this shop's signed jobs on one kind of circuit, counted at signing. */
export async function readHistory(
  { sequelize, transaction }: Desk,
  circuit: string,
): Promise<Record<string, number>> {
  const [rows] = await sequelize.query(
    "SELECT hypothesis, jobs FROM verdict_counts WHERE circuit = $1 AND jobs > 0",
    { bind: [circuit], transaction },
  );
  return Object.fromEntries(
    (rows as { hypothesis: string; jobs: number }[]).map(({ hypothesis, jobs }) => [hypothesis, jobs]),
  );
}
