import { type DrivingPattern, drivingPattern } from "../../../core/trade/follow-ups/index.ts";
import type { Desk } from "../../database/connection.ts";

const MOST_READINGS = 40;

/** How a vehicle is driven, by what its jobs and the levels taken of it say of its distance; nothing where that says too little. */
export async function readDriving(desk: Desk, vehicleId: string): Promise<DrivingPattern | undefined> {
  const [rows] = (await desk.sequelize.query(
    `(SELECT e.at, e.value AS km FROM entries e JOIN jobs j ON j.shop_id = e.shop_id AND j.id = e.job_id
       WHERE j.vehicle_id = $1 AND e.fact = 'distance' AND e.value IS NOT NULL
         AND NOT EXISTS (SELECT 1 FROM entries c WHERE c.shop_id = e.shop_id AND c.corrects = e.id)
       ORDER BY e.at DESC LIMIT ${MOST_READINGS})
     UNION ALL
     (SELECT at, distance_km AS km FROM levels
       WHERE vehicle_id = $1 AND distance_km IS NOT NULL AND struck_at IS NULL
       ORDER BY at DESC LIMIT ${MOST_READINGS})`,
    { bind: [vehicleId], transaction: desk.transaction },
  )) as [{ at: Date; km: number }[], unknown];
  return drivingPattern(rows.map(({ at, km }) => ({ at: at.toISOString(), km })));
}
