import { type Learned, learnedFrom } from "../../core/job/index.ts";
import type { Desk } from "../database/connection.ts";
import { isId } from "../vehicles/is-id.ts";
import { readBook } from "./read-books.ts";

/** What another job on the same model has taught. */
export interface LastOnModel extends Learned {
  model: string;
  plate: string;
  number: number;
  jobId: string;
  /** ISO 8601. */
  signedAt: string;
}

/** As many things off make a job that a deep strip learns from; a switch swapped is one only for want of a deeper one. */
const DEEP = 6;
/** So many of the last jobs on a model are looked at. */
const LOOKED_AT = 40;

/** The last signed job on a vehicle of the same model on which something came off, this one's own vehicle too. */
export async function readLastOnModel(desk: Desk, jobId: string): Promise<LastOnModel | null> {
  const { sequelize, transaction } = desk;
  if (!isId(jobId)) return null;
  const [[row]] = (await sequelize.query(
    `SELECT recent.id, recent.number, recent.signed_at AS "signedAt", recent.plate, recent.name FROM (
       SELECT last.shop_id, last.id, last.number, last.signed_at, car.plate, car.name
       FROM jobs this JOIN vehicles own ON own.shop_id = this.shop_id AND own.id = this.vehicle_id
       JOIN vehicles car ON car.shop_id = this.shop_id AND lower(car.name) = lower(own.name)
       JOIN jobs last ON last.shop_id = car.shop_id AND last.vehicle_id = car.id
       WHERE this.id = $1 AND last.id <> this.id AND last.signed_at IS NOT NULL AND own.name <> ''
       ORDER BY last.signed_at DESC LIMIT ${LOOKED_AT}) recent
     CROSS JOIN LATERAL (SELECT count(*) AS outs FROM (
       SELECT 1 FROM entries WHERE entries.shop_id = recent.shop_id AND job_id = recent.id
         AND account IN ('fastener', 'clip', 'connector', 'hose', 'part') AND "out" > 0 LIMIT $2) few) moved
     WHERE outs > 0
     ORDER BY outs >= $2 DESC, recent.signed_at DESC LIMIT 1`,
    { bind: [jobId, DEEP], transaction },
  )) as [{ id: string; number: number; signedAt: Date; plate: string; name: string }[], unknown];
  const learned = row && learnedFrom(await readBook(desk, row.id));
  if (!row || !learned) return null;
  const { id, number, signedAt, plate, name } = row;
  return { ...learned, jobId: id, number, signedAt: new Date(signedAt).toISOString(), plate, model: name };
}
