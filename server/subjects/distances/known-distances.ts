import { Distance, factsOf } from "../../../core/book/facts/index.ts";
import type { DistanceRead } from "../../../core/trade/car/index.ts";
import type { Desk } from "../../database/connection.ts";
import type { LevelRow } from "../../database/models/level-row.ts";
import { readBooks } from "../../entries/read-books.ts";

/** Every distance of a car that was read and stands: by its jobs, and as its levels were taken. What it came into the books with has no day. */
export async function knownDistances(
  desk: Desk,
  vehicleId: string,
  levels: readonly Pick<LevelRow, "at" | "distanceKm" | "struckAt">[],
): Promise<DistanceRead[]> {
  const { models, transaction } = desk;
  const jobs = await models.Job.findAll({ where: { vehicleId }, attributes: ["id"], transaction });
  const books = await readBooks(
    desk,
    jobs.map(({ id }) => id),
    ["distance"],
  );
  const read = [...books.values()].flatMap((book) =>
    factsOf(book, Distance).map(({ entry }) => ({ km: entry.value ?? 0, ms: Date.parse(entry.at) })),
  );
  const taken = levels.flatMap(({ at, distanceKm, struckAt }) =>
    struckAt === null && distanceKm !== null ? [{ km: distanceKm, ms: at.getTime() }] : [],
  );
  return [...read, ...taken];
}
