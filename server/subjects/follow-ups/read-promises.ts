import { dayInZone } from "../../../core/kernel/days/index.ts";
import type { Desk } from "../../database/connection.ts";

export interface PromiseDue {
  jobId: string;
  number: number;
  key: string;
  what: string;
  vehicleId: string;
  plate: string;
  name: string;
  /** A day, such as 2031-03-06. */
  on: string | null;
  byKm: number | null;
  distanceKm: number | null;
  /** True once its day has come, or its distance was read. */
  isDue: boolean;
}

const MOST = 200;

/** What a vehicle has run: by its jobs, or by a level that was taken since. */
const RUN = `greatest(v.distance_km, (SELECT max(l.distance_km) FROM levels l
  WHERE l.shop_id = v.shop_id AND l.vehicle_id = v.id AND l.struck_at IS NULL))`;

const COLUMNS = `f.job_id AS "jobId", j.number, f.key, f.what, f.vehicle_id AS "vehicleId", v.plate, v.name,
  to_char(f.due_on, 'YYYY-MM-DD') AS "on", f.due_km AS "byKm", ${RUN} AS "distanceKm"`;
const JOINED = `follow_ups f JOIN jobs j ON j.shop_id = f.shop_id AND j.id = f.job_id
  JOIN vehicles v ON v.shop_id = f.shop_id AND v.id = f.vehicle_id`;

/** Second looks that nobody has had yet and that are due by a day, or whose distance has been read; the longest due first. */
export async function readPromises(desk: Desk, { days }: { days: number }): Promise<PromiseDue[]> {
  const shop = await desk.models.Shop.findByPk(desk.shopId, {
    attributes: ["timeZone"],
    transaction: desk.transaction,
    rejectOnEmpty: true,
  });
  const today = dayInZone(desk.now, shop.timeZone);
  const [rows] = (await desk.sequelize.query(
    `(SELECT ${COLUMNS} FROM ${JOINED} WHERE f.state = 'open' AND j.signed_at IS NOT NULL AND f.due_on <= $1::date + $2::integer
       ORDER BY f.due_on LIMIT ${MOST})
     UNION ALL
     (SELECT ${COLUMNS} FROM ${JOINED} WHERE f.state = 'open' AND j.signed_at IS NOT NULL
       AND (f.due_on IS NULL OR f.due_on > $1::date + $2::integer) AND ${RUN} >= f.due_km LIMIT ${MOST})`,
    { bind: [today, days], transaction: desk.transaction },
  )) as [Omit<PromiseDue, "isDue">[], unknown];
  return rows
    .map((row) => ({
      ...row,
      isDue:
        (row.on !== null && row.on <= today) ||
        (row.byKm !== null && row.distanceKm !== null && row.distanceKm >= row.byKm),
    }))
    .sort((a, b) => Number(b.isDue) - Number(a.isDue) || ((a.on ?? "9999") < (b.on ?? "9999") ? -1 : 1));
}
