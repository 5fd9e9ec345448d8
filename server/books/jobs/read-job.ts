import { literal } from "sequelize";
import { toCard } from "../../cards/card.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound } from "../../desk/refusal.ts";
import { readBook } from "../../entries/read-books.ts";
import { whereFrom } from "../../entries/where-from.ts";
import { readCoolantsOnShelf } from "../../subjects/shelf/read-shelf.ts";

/**
 * What the car had run before this job was opened, by whatever was read last: on another job, or with a level.
 * A corrected line is out; one struck is its own correction and has no figure.
 */
const RAN_BEFORE = literal(`(SELECT r.km FROM (
  (SELECT e.at, e.value AS km FROM entries e JOIN jobs o ON o.shop_id = e.shop_id AND o.id = e.job_id
    WHERE o.vehicle_id = "Job"."vehicle_id" AND o.id <> "Job"."id" AND e.fact = 'distance' AND e.value IS NOT NULL
      AND e.at < "Job"."opened_at"
      AND NOT EXISTS (SELECT 1 FROM entries c WHERE c.shop_id = e.shop_id AND c.corrects = e.id)
    ORDER BY e.at DESC LIMIT 1)
  UNION ALL
  (SELECT l.at, l.distance_km AS km FROM levels l
    WHERE l.vehicle_id = "Job"."vehicle_id" AND l.distance_km IS NOT NULL AND l.struck_at IS NULL
      AND l.at < "Job"."opened_at"
    ORDER BY l.at DESC LIMIT 1)
  ) r ORDER BY r.at DESC LIMIT 1)`);

/** A job with its vehicle, card, people, book and the coolants at hand: four queries, however long the book. */
export async function readJob(desk: Desk, jobId: string) {
  const { models, transaction } = desk;
  const job = isId(jobId)
    ? await models.Job.findOne({
        where: { id: jobId },
        attributes: { include: [[RAN_BEFORE, "ranBeforeKm"]] },
        include: {
          model: models.Vehicle,
          as: "vehicle",
          include: [{ model: models.CoolingCard, as: "card" }],
        },
        transaction,
      })
    : null;
  if (!job) throw notFound("That job");
  const { vehicle } = job;
  if (!vehicle) throw notFound("That vehicle");
  const { card = null } = vehicle;
  const people = await models.Person.findAll({ attributes: ["id", "name"], transaction });
  const entries = await readBook(desk, jobId);
  const nameOf = (id: string | null) => people.find((person) => person.id === id)?.name ?? null;
  return {
    job: {
      id: job.id,
      number: job.number,
      bay: job.bay,
      openedAt: job.openedAt.toISOString(),
      openedBy: nameOf(job.openedBy),
      assignedTo: nameOf(job.assignedTo),
      signedAt: job.signedAt?.toISOString() ?? null,
      signedBy: nameOf(job.signedBy),
      signReason: job.signReason,
      from: whereFrom(job, nameOf),
    },
    vehicle: {
      id: vehicle.id,
      plate: vehicle.plate,
      vin: vehicle.vin,
      name: vehicle.name,
      distanceKm: vehicle.distanceKm,
    },
    ranBeforeKm: (job.get("ranBeforeKm") as number | null) ?? vehicle.firstDistanceKm,
    card: card && toCard(card),
    cardTakenFrom: card?.takenFrom ?? null,
    names: Object.fromEntries(people.map((person) => [person.id, person.name])),
    coolants: await readCoolantsOnShelf(desk),
    entries,
  };
}

export type JobPage = Awaited<ReturnType<typeof readJob>>;
