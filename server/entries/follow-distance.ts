import { Distance, lastFact } from "../../core/book/facts/index.ts";
import type { Desk } from "../database/connection.ts";
import { readBooks } from "./read-books.ts";

/**
 * A vehicle's distance is the last one read that stands, by the order of its jobs; where all were struck, the one it
 * came into the books with.
 */
export async function followDistance(desk: Desk, vehicleId: string): Promise<void> {
  const { models, transaction } = desk;
  const vehicle = await models.Vehicle.findOne({ where: { id: vehicleId }, transaction });
  if (!vehicle) return;
  const jobs = await models.Job.findAll({
    where: { vehicleId },
    attributes: ["id"],
    order: [
      ["openedAt", "ASC"],
      ["number", "ASC"],
    ],
    transaction,
  });
  const books = await readBooks(
    desk,
    jobs.map(({ id }) => id),
    ["distance"],
  );
  let km = vehicle.firstDistanceKm;
  for (const { id } of jobs) km = lastFact(books.get(id) ?? [], Distance)?.entry.value ?? km;
  if (km !== vehicle.distanceKm) await vehicle.update({ distanceKm: km }, { transaction });
}
