import type { Entry } from "../../../core/book/entry/index.ts";
import { factsOf, KnownTorque, MeasuredUnit } from "../../../core/book/facts/index.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { readBooks } from "../../entries/read-books.ts";

export interface Measured {
  /** The unit that was measured in this car last, and the day, ISO 8601. */
  unit: { fact: MeasuredUnit; at: string } | null;
  /** Torques by the maker's book, the last said of each thing. */
  torques: { what: string; nm: number }[];
}

/** What a vehicle's books, oldest first, say of its unit and of how tight things go. */
export function measuredOf(books: readonly (readonly Entry[])[]): Measured {
  const torques = new Map<string, { what: string; nm: number }>();
  let unit: Measured["unit"] = null;
  for (const book of books) {
    for (const { fact, entry } of factsOf(book, MeasuredUnit)) unit = { fact: { ...fact }, at: entry.at };
    for (const { fact, entry } of factsOf(book, KnownTorque))
      if (entry.item) torques.set(entry.item.toLowerCase(), { what: entry.item, nm: fact.nm });
  }
  return { unit, torques: [...torques.values()] };
}

/** The same for the vehicle of a job, this job's own book and all before it. */
export async function readMeasured(desk: Desk, jobId: string): Promise<Measured> {
  const { models, transaction } = desk;
  const job = isId(jobId) ? await models.Job.findOne({ where: { id: jobId }, transaction }) : null;
  if (!job) return { unit: null, torques: [] };
  const jobs = await models.Job.findAll({
    where: { vehicleId: job.vehicleId },
    attributes: ["id"],
    order: [["openedAt", "ASC"]],
    transaction,
  });
  const ids = jobs.map(({ id }) => id);
  const books = await readBooks(desk, ids, [MeasuredUnit.fact, KnownTorque.fact]);
  return measuredOf(ids.map((id) => books.get(id) ?? []));
}
