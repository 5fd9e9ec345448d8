import { promisify } from "node:util";
import { gunzip } from "node:zlib";
import { QueryTypes } from "sequelize";
import { balance } from "../../../core/book/out/index.ts";
import { openItems } from "../../../core/state/index.ts";
import type { Desk } from "../../database/connection.ts";
import { Refusal } from "../../desk/refusal.ts";
import { JOB_FORMAT } from "./job-file.ts";
import { readJob } from "./read-job.ts";

const expand = promisify(gunzip);

const MOST_JSON_BYTES = { logs: 4_000_000, pictures: 25_000_000 };

/** One that could not be read in again as it is isn't written: an archive takes any. */
async function refuseTooLarge({ sequelize, transaction, shopId }: Desk, jobId: string): Promise<void> {
  const [size] = await sequelize.query<{ logs: number; pictures: number }>(
    `SELECT (SELECT coalesce(sum(octet_length(content)), 0)::float8 FROM logs WHERE shop_id = $1 AND job_id = $2) AS logs,
            (SELECT coalesce(sum(octet_length(content)), 0)::float8 FROM pictures WHERE shop_id = $1 AND job_id = $2) AS pictures`,
    { bind: [shopId, jobId], type: QueryTypes.SELECT, transaction },
  );
  if (size && (size.logs > MOST_JSON_BYTES.logs || size.pictures > MOST_JSON_BYTES.pictures))
    throw new Refusal({
      status: 409,
      message: `That job is too large for one JSON. Take it as one file: /jobs/${jobId}/job.zip`,
    });
}

/**
 * A whole job as JSON, as `docs/formats/job.schema.json` describes it, its logs byte for byte and its pictures within, or with
 * `areBeside` told of and not within. Figures in core
 * units: °C, L, kPa, km. Reading it in and writing it again gives the same text but for where and when.
 */
export async function exportJob(desk: Desk, jobId: string, { areBeside = false } = {}) {
  const { models, transaction, shopId, now } = desk;
  const { job, vehicle, card, entries, names } = await readJob(desk, jobId);
  if (!areBeside) await refuseTooLarge(desk, jobId);
  const { from: _, ...withoutOrigin } = job;
  const row = await models.Job.findOne({ where: { id: jobId }, transaction, rejectOnEmpty: true });
  const car = await models.Vehicle.findOne({ where: { id: vehicle.id }, transaction, rejectOnEmpty: true });
  const shop = await models.Shop.findOne({ where: { id: shopId }, transaction, rejectOnEmpty: true });
  const logs = await models.Log.findAll({
    where: { jobId },
    attributes: { exclude: areBeside ? ["content"] : [] },
    order: [
      ["createdAt", "ASC"],
      ["id", "ASC"],
    ],
    transaction,
  });
  const pictures = await models.Picture.findAll({
    where: { jobId },
    attributes: { exclude: areBeside ? ["content", "small"] : [] },
    order: [
      ["createdAt", "ASC"],
      ["id", "ASC"],
    ],
    transaction,
  });
  const about = new Set([
    row.openedBy,
    row.signedBy,
    row.assignedTo,
    ...entries.map(({ by }) => by),
    ...logs.map((log) => log.createdBy),
    ...pictures.map((picture) => picture.createdBy),
  ]);
  const people = Object.entries({ ...names, ...row.origin?.people })
    .filter(([id]) => about.has(id))
    .sort(([a], [b]) => (a < b ? -1 : 1));
  const nameOf = (id: string | null) =>
    id === null ? null : (people.find(([each]) => each === id)?.[1] ?? null);
  return {
    format: JOB_FORMAT,
    exportedAt: now.toISOString(),
    shop: shop.name,
    from: row.origin && {
      shop: row.origin.shop,
      number: row.origin.number,
      exportedAt: row.origin.exportedAt,
    },
    ...(row.lastHash && { lastHash: row.lastHash.toString("hex") }),
    job: {
      ...withoutOrigin,
      openedBy: nameOf(row.openedBy),
      openedById: row.openedBy,
      assignedTo: nameOf(row.assignedTo),
      signedBy: nameOf(row.signedBy),
      signedById: row.signedBy,
    },
    vehicle: { ...vehicle, use: car.use },
    card,
    people: Object.fromEntries(people),
    entries,
    balance: balance(entries),
    open: openItems(entries).map((item) => item.words),
    logs: await Promise.all(
      logs.map(async (log) => ({
        id: log.id,
        name: log.name,
        rows: log.rows,
        sha256: log.sha256,
        bookedAt: log.createdAt.toISOString(),
        bookedBy: log.createdBy,
        ...(!areBeside && { content: (await expand(log.content)).toString("base64") }),
      })),
    ),
    pictures: pictures.map(({ id, width, height, sha256, createdAt, createdBy, content, small }) => ({
      id,
      width,
      height,
      sha256,
      bookedAt: createdAt.toISOString(),
      bookedBy: createdBy,
      ...(!areBeside && { content: content.toString("base64"), small: small.toString("base64") }),
    })),
  };
}
