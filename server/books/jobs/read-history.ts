import type { Desk } from "../../database/connection.ts";

/** Verdicts of this shop's signed jobs, counted at signing: how often each hypothesis, by the kind of circuit. */
export type Histories = Readonly<Record<string, Readonly<Record<string, number>>>>;

/** The shop's history of each kind of circuit that it has one of; a few hundred figures however old the shop. */
export async function readHistories({ sequelize, transaction }: Desk): Promise<Histories> {
  const [rows] = await sequelize.query(
    "SELECT circuit, jsonb_object_agg(hypothesis, jobs) AS verdicts FROM verdict_counts WHERE jobs > 0 GROUP BY circuit",
    { transaction },
  );
  return Object.fromEntries(
    (rows as { circuit: string; verdicts: Record<string, number> }[]).map(({ circuit, verdicts }) => [
      circuit,
      verdicts,
    ]),
  );
}

/** The same of one kind of circuit. */
export const readHistory = async (desk: Desk, circuit: string): Promise<Readonly<Record<string, number>>> =>
  (await readHistories(desk))[circuit] ?? {};
