import { QueryTypes } from "sequelize";
import type { LaidDay } from "../../../core/stages/day/index.ts";
import type { Desk } from "../../database/connection.ts";

/** What somebody should be at by now, by the day as it was laid last. */
export interface MineNow {
  jobId: string;
  piece: string;
  plate: string;
  /** ISO 8601. */
  from: string;
  until: string;
}

/** The pieces of whoever asks that are to be on now, the longest due first: one row read, and nothing laid anew. */
export async function readMineNow({ sequelize, transaction, personId, now }: Desk): Promise<MineNow[]> {
  const [stored] = await sequelize.query<{ plan: LaidDay }>(
    "SELECT plan FROM day_plans ORDER BY day DESC LIMIT 1",
    { type: QueryTypes.SELECT, transaction },
  );
  const at = now.toISOString();
  const due = (stored?.plan.slips ?? []).filter(
    ({ people, from, until }) => personId !== null && people.includes(personId) && from <= at && at < until,
  );
  if (due.length === 0) return [];
  const plates = await sequelize.query<{ id: string; plate: string }>(
    `SELECT j.id, v.plate FROM jobs j JOIN vehicles v ON v.shop_id = j.shop_id AND v.id = j.vehicle_id
      WHERE j.id = ANY($1::uuid[]) AND j.signed_at IS NULL`,
    {
      bind: [due.map(({ jobId }) => jobId).filter((id) => !id.includes(" "))],
      type: QueryTypes.SELECT,
      transaction,
    },
  );
  const plateOf = new Map(plates.map(({ id, plate }) => [id, plate]));
  return due
    .flatMap(({ jobId, piece, from, until }) => {
      const plate = plateOf.get(jobId);
      return plate === undefined ? [] : [{ jobId, piece, plate, from, until }];
    })
    .sort((a, b) => (a.from < b.from ? -1 : 1));
}
