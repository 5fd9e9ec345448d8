import type { Entry } from "../../../core/book/entry/index.ts";
import { ChosenPart } from "../../../core/book/facts/index.ts";
import {
  type Doings,
  doingsKey,
  doingsOf,
  type PartSpan,
  spansOf,
} from "../../../core/stages/earlier-jobs/index.ts";
import type { CoolantOnShelf } from "../../../core/stages/fill/index.ts";
import { type ShelfItem } from "../../../core/trade/shelf/index.ts";
import type { Desk } from "../../database/connection.ts";
import type { ShelfRow } from "../../database/models/shelf-row.ts";
import { readBooks } from "../../entries/read-books.ts";

export interface OnShelf extends ShelfItem {
  id: string;
  /** How it has really done in this shop; nothing where it was never fitted. */
  doings: Doings | null;
}

/** What was fitted longer ago says little of what is sold today, and reading it costs the page. */
const MOST_JOBS = 600;
const LOOKED_AT = 2000;

type Books = { jobId: string; entries: Entry[] }[];

/** The books of the last jobs that bought a part, by vehicle, each vehicle's oldest first. */
async function readBought(desk: Desk): Promise<Books[]> {
  const [jobs] = (await desk.sequelize.query(
    `SELECT id, vehicle_id AS "vehicleId" FROM (
       SELECT shop_id, id, vehicle_id, number, opened_at FROM jobs ORDER BY number DESC LIMIT ${LOOKED_AT}) j
     WHERE EXISTS (SELECT 1 FROM entries e WHERE e.shop_id = j.shop_id AND e.job_id = j.id AND e.fact = $1)
     ORDER BY opened_at DESC LIMIT ${MOST_JOBS}`,
    { bind: [ChosenPart.fact], transaction: desk.transaction },
  )) as [{ id: string; vehicleId: string }[], unknown];
  jobs.reverse();
  const books = await readBooks(
    desk,
    jobs.map(({ id }) => id),
  );
  const byVehicle = new Map<string, { id: string }[]>();
  for (const job of jobs) byVehicle.set(job.vehicleId, [...(byVehicle.get(job.vehicleId) ?? []), job]);
  return [...byVehicle.values()].map((ofOne) =>
    ofOne.map(({ id }) => ({ jobId: id, entries: books.get(id) ?? [] })),
  );
}

function itemOf(row: ShelfRow): ShelfItem {
  const { kind, item, grade, approval, supplier, priceCents, freightCents, days, partDays, labourDays } = row;
  return { kind, item, grade, approval, supplier, priceCents, freightCents, days, partDays, labourDays };
}

/** Everything on the shop's shelf with how it has done, by what it is; and how long parts have lasted in its cars. */
export async function readShelf(desk: Desk): Promise<{ rows: OnShelf[]; spans: PartSpan[] }> {
  const { models, transaction } = desk;
  const rows = await models.ShelfRow.findAll({
    order: [
      ["kind", "DESC"],
      ["item", "ASC"],
      ["priceCents", "ASC"],
    ],
    transaction,
  });
  const bought = await readBought(desk);
  const doings = doingsOf(bought);
  const shown = rows.map((row) => {
    const item = itemOf(row);
    return { id: row.id, ...item, doings: doings.get(doingsKey(item)) ?? null };
  });
  return { rows: shown, spans: spansOf(bought, desk.now.toISOString()) };
}

/** How long parts have lasted in this shop's cars. */
export const readSpans = async (desk: Desk): Promise<PartSpan[]> =>
  spansOf(await readBought(desk), desk.now.toISOString());

const MOST_COOLANTS = 60;

/** The coolants on the shelf, each once whoever sells it, as they can be poured on a job. */
export async function readCoolantsOnShelf({ models, transaction }: Desk): Promise<CoolantOnShelf[]> {
  const rows = await models.ShelfRow.findAll({
    where: { kind: "coolant" },
    attributes: ["item", "grade", "approval"],
    order: [["item", "ASC"]],
    transaction,
  });
  const once = new Map<string, CoolantOnShelf>();
  for (const { item, grade, approval } of rows) {
    const key = `${item.toLowerCase()}|${grade}`;
    const known = once.get(key);
    // What one supplier's list leaves out another's may name: it is one can.
    const named = [known?.approval, approval].filter(Boolean).join(", ");
    once.set(key, { item: known?.item ?? item, kind: grade, approval: named });
  }
  return [...once.values()].slice(0, MOST_COOLANTS);
}

const MOST_OFFERED = 400;

/** The parts on the shelf as they can be chosen on a job, by what they are and what they cost. */
export async function readPartsOnShelf({ models, transaction }: Desk): Promise<ShelfItem[]> {
  const rows = await models.ShelfRow.findAll({
    where: { kind: "part" },
    order: [
      ["item", "ASC"],
      ["priceCents", "ASC"],
    ],
    limit: MOST_OFFERED,
    transaction,
  });
  return rows.map(itemOf);
}
