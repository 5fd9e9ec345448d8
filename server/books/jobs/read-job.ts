import { toCard } from "../../cards/card.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound } from "../../desk/refusal.ts";
import { readBook } from "../../entries/read-books.ts";
import { whereFrom } from "../../entries/where-from.ts";
import { readCoolantsOnShelf } from "../../subjects/shelf/read-shelf.ts";

/** A job with its vehicle, card, people, book and the coolants at hand: four queries, however long the book. */
export async function readJob(desk: Desk, jobId: string) {
  const { models, transaction } = desk;
  const job = isId(jobId)
    ? await models.Job.findOne({
        where: { id: jobId },
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
    cameWithKm: vehicle.firstDistanceKm,
    card: card && toCard(card),
    cardTakenFrom: card?.takenFrom ?? null,
    names: Object.fromEntries(people.map((person) => [person.id, person.name])),
    coolants: await readCoolantsOnShelf(desk),
    entries,
  };
}

export type JobPage = Awaited<ReturnType<typeof readJob>>;
