import { CoolantLevel, factsOf } from "../../../core/book/facts/index.ts";
import { partLives } from "../../../core/stages/earlier-jobs/index.ts";
import { complaintOf, findingOf } from "../../../core/state/index.ts";
import { toCard } from "../../cards/card.ts";
import { readCardChanges } from "../../cards/read-card-changes.ts";
import { cardOfModel } from "../../cards/take-card.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound } from "../../desk/refusal.ts";
import { readBooks } from "../../entries/read-books.ts";
import { shortFrom } from "../../entries/where-from.ts";
import { readLevels } from "../levels/read-levels.ts";
import { healthOf } from "./read-health.ts";
import { measuredOf } from "./read-measured.ts";

/** A vehicle with its card, its jobs newest first, and every cooling part fitted to it. */
export async function readVehicle(desk: Desk, id: string) {
  const { models, transaction } = desk;
  const vehicle = isId(id)
    ? await models.Vehicle.findOne({
        where: { id },
        include: { model: models.CoolingCard, as: "card" },
        transaction,
      })
    : null;
  if (!vehicle) throw notFound("That vehicle");
  const { card = null } = vehicle;
  const jobs = await models.Job.findAll({
    where: { vehicleId: id },
    attributes: ["id", "number", "openedAt", "signedAt", "signedBy", "origin"],
    order: [["openedAt", "ASC"]],
    raw: true,
    transaction,
  });
  const books = await readBooks(
    desk,
    jobs.map((job) => job.id),
  );
  const bookOf = (jobId: string) => books.get(jobId) ?? [];
  const people = await models.Person.findAll({
    attributes: ["id", "name", "role", "isActive"],
    order: [["name", "ASC"]],
    raw: true,
    transaction,
  });
  const nameOf = new Map(people.map((person) => [person.id, person.name]));
  const levels = jobs.flatMap((job) => factsOf(bookOf(job.id), CoolantLevel).map(({ entry }) => entry));
  const taken = (await readLevels(desk, [id], undefined, { vehicles: [vehicle], nameOf })).get(id);
  const { plate, vin, name, use, distanceKm } = vehicle;
  return {
    vehicle: { id, plate, vin, name, use, distanceKm },
    owner: { name: vehicle.ownerName ?? "", phone: vehicle.ownerPhone ?? "" },
    card: card && toCard(card),
    cardFrom: {
      takenFrom: card?.takenFrom ?? null,
      model: card ? null : ((await cardOfModel(desk, id))?.plate ?? null),
    },
    measured: measuredOf(jobs.map((job) => bookOf(job.id))),
    changes: await readCardChanges(desk, id, nameOf, jobs),
    jobs: jobs
      .map((job) => ({
        id: job.id,
        number: job.number,
        openedAt: job.openedAt.toISOString(),
        signedAt: job.signedAt?.toISOString() ?? null,
        signedBy: nameOf.get(job.signedBy ?? "") ?? null,
        from: shortFrom(job.origin),
        complaint: complaintOf(bookOf(job.id)) ?? null,
        finding: findingOf(bookOf(job.id)) ?? null,
        parts: partLives([{ jobId: job.id, entries: bookOf(job.id) }]),
        entries: bookOf(job.id).length,
      }))
      .reverse(),
    parts: partLives(jobs.map((job) => ({ jobId: job.id, entries: bookOf(job.id) }))),
    health: healthOf(jobs, bookOf),
    levels: levels.map(({ at, text }) => ({ at, text: text ?? "" })),
    taken: taken ?? null,
    /** Who may be given a job. */
    hands: people
      .filter(({ role, isActive }) => isActive && role !== "desk")
      .map((person) => ({ id: person.id, name: person.name })),
  };
}
