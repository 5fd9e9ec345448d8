import type { Desk } from "../database/connection.ts";
import { CARD_CHANGED, type CardChange } from "./card.ts";

const MOST_CHANGES = 30;

export interface CardChanged {
  at: string;
  by: string | null;
  /** Number of the job whose book settled it; absent where it was changed by hand. */
  job?: number;
  changes: CardChange[];
}

/** What was changed on a vehicle's card, newest first. */
export async function readCardChanges(
  { models, sequelize, transaction }: Desk,
  vehicleId: string,
  /** Who is who, and the vehicle's jobs by their ids. */
  names: ReadonlyMap<string, string>,
  jobs: readonly { id: string; number: number }[],
): Promise<CardChanged[]> {
  const rows = await models.Audit.findAll({
    where: sequelize.and(
      { what: CARD_CHANGED },
      sequelize.where(sequelize.literal("about->>'vehicleId'"), vehicleId),
    ),
    order: [["id", "DESC"]],
    limit: MOST_CHANGES,
    raw: true,
    transaction,
  });
  return rows.map(({ at, personId, about }) => {
    const job = jobs.find(({ id }) => id === about.jobId)?.number;
    return {
      at: at.toISOString(),
      by: names.get(personId ?? "") ?? null,
      ...(job === undefined ? {} : { job }),
      changes: (about.changes ?? []) as CardChange[],
    };
  });
}
