import type { Desk } from "../../database/connection.ts";

export interface VehicleRow {
  id: string;
  plate: string;
  vin: string | null;
  name: string;
  use: string;
  distanceKm: number | null;
  circuit: string | null;
  openJobId: string | null;
  openJobNumber: number | null;
  jobs: number;
  lastAt: string | null;
}

const MOST_FOUND = 100;

/** `%`, `_` and `\` typed by a person stand for themselves. */
const literal = (text: string) => text.replace(/[\\%_]/g, "\\$&");

/** Vehicles by any part of plate (blanks don't matter), VIN or name; all of them for an empty search. */
export async function findVehicles({ sequelize, transaction }: Desk, search: string): Promise<VehicleRow[]> {
  const [rows] = await sequelize.query(
    `SELECT v.id, v.plate, v.vin, v.name, v.use, v.distance_km AS "distanceKm", c.circuit,
            o.id AS "openJobId", o.number AS "openJobNumber", coalesce(j.count, 0)::int AS jobs, j.last AS "lastAt"
       FROM vehicles v
       LEFT JOIN cooling_cards c ON c.shop_id = v.shop_id AND c.vehicle_id = v.id
       LEFT JOIN LATERAL (SELECT count(*) AS count, max(opened_at) AS last FROM jobs WHERE shop_id = v.shop_id AND vehicle_id = v.id) j ON true
       LEFT JOIN LATERAL (SELECT id, number FROM jobs WHERE shop_id = v.shop_id AND vehicle_id = v.id AND signed_at IS NULL
                           ORDER BY opened_at DESC LIMIT 1) o ON true
      WHERE replace(v.plate, ' ', '') ILIKE $1 OR v.vin ILIKE $1 OR v.name ILIKE $2 OR v.use ILIKE $2
      ORDER BY v.plate LIMIT ${MOST_FOUND}`,
    { bind: [`%${literal(search.replaceAll(" ", ""))}%`, `%${literal(search.trim())}%`], transaction },
  );
  return (rows as (Omit<VehicleRow, "lastAt"> & { lastAt: Date | null })[]).map((row) => ({
    ...row,
    lastAt: row.lastAt?.toISOString() ?? null,
  }));
}
