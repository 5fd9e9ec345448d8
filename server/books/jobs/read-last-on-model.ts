import { type Learned, learnedFrom, likeness } from "../../../core/stages/earlier-jobs/index.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { readBooks } from "../../entries/read-books.ts";

/** What another job on the same model has taught. */
export interface LastOnModel extends Learned {
  model: string;
  plate: string;
  number: number;
  jobId: string;
  /** ISO 8601. */
  signedAt: string;
}

/** So many of the last jobs on a model are looked at. */
const LOOKED_AT = 8;

interface Row {
  id: string;
  number: number;
  signedAt: Date;
  plate: string;
  name: string;
}

/**
 * Of the last signed jobs on vehicles of the same model, this one's own vehicle too, the one most like this job on which something came
 * off; the newer of two alike.
 */
export async function readLastOnModel(desk: Desk, jobId: string): Promise<LastOnModel | null> {
  const { sequelize, transaction } = desk;
  if (!isId(jobId)) return null;
  // Step by step, each whole before the next: left to itself, a database without counts of its tables has joined every line of the
  // shop with every job.
  const [rows] = (await sequelize.query(
    `WITH own AS MATERIALIZED (
       SELECT vehicles.shop_id, lower(name) AS name FROM jobs
       JOIN vehicles ON vehicles.shop_id = jobs.shop_id AND vehicles.id = vehicle_id
       WHERE jobs.id = $1 AND name <> ''),
     car AS MATERIALIZED (
       SELECT vehicles.shop_id, vehicles.id, plate, vehicles.name FROM own
       JOIN vehicles ON vehicles.shop_id = own.shop_id AND lower(vehicles.name) = own.name),
     last AS MATERIALIZED (
       SELECT jobs.shop_id, jobs.id, number, signed_at, plate, name FROM car
       JOIN jobs ON jobs.shop_id = car.shop_id AND vehicle_id = car.id
       WHERE jobs.id <> $1 AND signed_at IS NOT NULL)
     SELECT id, number, signed_at AS "signedAt", plate, name FROM last
     WHERE (SELECT true FROM entries WHERE entries.shop_id = last.shop_id AND job_id = last.id
       AND account IN ('fastener', 'clip', 'connector', 'hose', 'part') AND "out" > 0 LIMIT 1)
     ORDER BY signed_at DESC LIMIT ${LOOKED_AT}`,
    { bind: [jobId], transaction },
  )) as [Row[], unknown];
  if (rows.length === 0) return null;
  const books = await readBooks(desk, [jobId, ...rows.map(({ id }) => id)]);
  const own = books.get(jobId) ?? [];
  let best: { row: Row; like: number } | undefined;
  for (const row of rows) {
    const like = likeness(own, books.get(row.id) ?? []);
    if (like !== undefined && like > (best?.like ?? 0)) best = { row, like };
  }
  const learned = best && learnedFrom(books.get(best.row.id) ?? []);
  if (!best || !learned) return null;
  const { id, number, signedAt, plate, name } = best.row;
  return { ...learned, jobId: id, number, signedAt: new Date(signedAt).toISOString(), plate, model: name };
}
