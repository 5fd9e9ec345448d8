import { Op } from "sequelize";
import { CannotTest, factsOf } from "../../../core/book/facts/index.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { readBooks } from "../../entries/read-books.ts";

/** The vehicle's latest jobs say what can't be done on it; older ones are another technician's tools and times. */
const MOST_JOBS = 20;

/** Tests that earlier jobs of the same vehicle found impossible on it, each once. */
export async function readBarredTests(desk: Desk, jobId: string): Promise<string[]> {
  const { models, transaction } = desk;
  const job = isId(jobId) ? await models.Job.findOne({ where: { id: jobId }, transaction }) : null;
  if (!job) return [];
  const others = await models.Job.findAll({
    where: { vehicleId: job.vehicleId, id: { [Op.ne]: jobId } },
    attributes: ["id"],
    order: [["openedAt", "DESC"]],
    limit: MOST_JOBS,
    transaction,
  });
  const ids = others.map(({ id }) => id);
  const books = ids.length > 0 ? await readBooks(desk, ids, [CannotTest.fact]) : new Map();
  const barred = [...books.values()].flatMap((entries) =>
    factsOf(entries, CannotTest).flatMap(({ fact }) => (fact.why === "car" ? [fact.test] : [])),
  );
  return [...new Set(barred)];
}
