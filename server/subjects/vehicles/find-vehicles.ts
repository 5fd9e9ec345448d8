import type { Desk } from "../../database/connection.ts";

export interface VehicleRow {
  id: string;
  plate: string;
  vin: string | null;
  name: string;
  use: string;
  owner: string;
  distanceKm: number | null;
  circuit: string | null;
  openJobId: string | null;
  openJobNumber: number | null;
  jobs: number;
  lastAt: string | null;
  /** What it was found by where that is not written on the car: a job's complaint or finding, with its number. */
  found: { job: number; words: string } | null;
  /** How many there are in all, of which the list shows the first. */
  total: number;
}

const MOST_FOUND = 100;

/** `%`, `_` and `\` typed by a person stand for themselves. */
const literal = (text: string) => text.replace(/[\\%_]/g, "\\$&");

/** "job 93", "#93", "№ 0093" or the bare number. */
const JOB = /^(?:job|#|№|no\.?)?\s*0*(\d{1,7})$/i;
/** Fewer letters are in every second sentence. */
const LEAST_WORD = 3;
/** As much of a telephone number as tells one from another. */
const PHONE = /^\+?[\d\s()/.-]{5,40}$/;
const bare = (text: string) => text.replace(/[^\p{L}\p{N}]/gu, "");

/**
 * Vehicles by any part of plate or VIN, marks and blanks left out, by name, use or owner, by a telephone number, by a job's number, or by words of a complaint or a
 * finding that stand; all of them for an empty search.
 */
export async function findVehicles({ sequelize, transaction }: Desk, search: string): Promise<VehicleRow[]> {
  const text = search.trim();
  const number = Number(JOB.exec(text)?.[1] ?? 0);
  // What is all marks is looked for as it stands, and is nobody's plate.
  const plate = bare(text) || text;
  const [rows] = await sequelize.query(
    `WITH said AS (
       SELECT DISTINCT ON (j.vehicle_id) j.vehicle_id, j.number, e.text FROM jobs j
         LEFT JOIN entries e ON e.shop_id = j.shop_id AND e.job_id = j.id AND $5 AND e.fact IN ('complaint', 'finding')
           AND e.text ILIKE $2 AND NOT EXISTS (SELECT 1 FROM entries c WHERE c.shop_id = e.shop_id AND c.corrects = e.id)
        WHERE ($4 > 0 AND j.number = $4) OR e.id IS NOT NULL
        ORDER BY j.vehicle_id, e.at DESC NULLS LAST)
     SELECT v.id, v.plate, v.vin, v.name, v.use, coalesce(v.owner_name, '') AS owner, v.distance_km AS "distanceKm", c.circuit,
            o.id AS "openJobId", o.number AS "openJobNumber", coalesce(j.count, 0)::int AS jobs, j.last AS "lastAt",
            said.number AS "foundJob", said.text AS "foundWords", (count(*) OVER ())::int AS total
       FROM vehicles v
       LEFT JOIN said ON said.vehicle_id = v.id
       LEFT JOIN cooling_cards c ON c.shop_id = v.shop_id AND c.vehicle_id = v.id
       LEFT JOIN LATERAL (SELECT count(*) AS count, max(opened_at) AS last FROM jobs WHERE shop_id = v.shop_id AND vehicle_id = v.id) j ON true
       LEFT JOIN LATERAL (SELECT id, number FROM jobs WHERE shop_id = v.shop_id AND vehicle_id = v.id AND signed_at IS NULL
                           ORDER BY opened_at DESC LIMIT 1) o ON true
      WHERE regexp_replace(v.plate, '[^[:alnum:]]', '', 'g') ILIKE $1 OR v.vin ILIKE $1 OR v.name ILIKE $2 OR v.use ILIKE $2
         OR v.owner_name ILIKE $2 OR ($6 <> '' AND regexp_replace(v.owner_phone, '[^0-9]', '', 'g') LIKE '%' || $6 || '%')
         OR said.vehicle_id IS NOT NULL OR $3
      ORDER BY v.plate LIMIT ${MOST_FOUND}`,
    {
      bind: [
        `%${literal(plate)}%`,
        `%${literal(text)}%`,
        text === "",
        number,
        text.length >= LEAST_WORD && number === 0,
        PHONE.test(text) ? text.replace(/\D/g, "") : "",
      ],
      transaction,
    },
  );
  type Found = Omit<VehicleRow, "lastAt" | "found"> & {
    lastAt: Date | null;
    foundJob: number | null;
    foundWords: string | null;
  };
  return (rows as Found[]).map(({ foundJob, foundWords, ...row }) => ({
    ...row,
    lastAt: row.lastAt?.toISOString() ?? null,
    found: foundJob === null ? null : { job: foundJob, words: foundWords ?? "" },
  }));
}
