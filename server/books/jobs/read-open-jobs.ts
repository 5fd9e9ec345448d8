import { QueryTypes } from "sequelize";
import type { Desk } from "../../database/connection.ts";

export interface OpenJob {
  id: string;
  number: number;
  plate: string;
  vehicle: string;
}

/** Jobs that nobody has signed, newest first, for whoever has something to put into one. */
export const readOpenJobs = ({ sequelize, transaction }: Desk): Promise<OpenJob[]> =>
  sequelize.query<OpenJob>(
    `SELECT j.id, j.number, v.plate, v.name AS vehicle FROM jobs j
       JOIN vehicles v ON v.shop_id = j.shop_id AND v.id = j.vehicle_id
      WHERE j.signed_at IS NULL ORDER BY j.number DESC LIMIT 200`,
    { type: QueryTypes.SELECT, transaction },
  );
