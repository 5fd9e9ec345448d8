import type { Entry } from "../../../core/book/entry/index.ts";
import { factsOf, type HealthFigure, HealthRead, WarmUpLog } from "../../../core/book/facts/index.ts";
import { plainPart } from "../../../core/book/parts/index.ts";
import { partLives } from "../../../core/stages/earlier-jobs/index.ts";
import type { HealthFigureName } from "../../../core/trade/car/index.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound } from "../../desk/refusal.ts";
import { readBooks } from "../../entries/read-books.ts";

/** A log that stands in one of a vehicle's books. */
export interface LogOfVehicle {
  jobId: string;
  number: number;
  logId: string;
  log: string;
  /** When it was booked, ISO 8601. */
  at: string;
  restedH?: number;
  /** Thermostat and fan did in it what the card says, and nothing failed: another may be held against it. */
  isSound: boolean;
}

/** What was booked of a vehicle's health. */
export interface HealthOfVehicle {
  jobId: string;
  number: number;
  logId: string;
  at: string;
  againstLogId: string;
  againstDay: string;
  figures: Partial<Record<HealthFigureName, HealthFigure>>;
  leastShare?: number;
}

export interface VehicleHealth {
  logs: LogOfVehicle[];
  reads: HealthOfVehicle[];
  /** When the radiator that is in it was fitted, ISO 8601; nothing where no book says. */
  radiatorAt?: string;
}

interface JobRow {
  id: string;
  number: number;
}

/** A vehicle's logs and what was read of its health, oldest first, from its books. */
export function healthOf(
  jobs: readonly JobRow[],
  bookOf: (jobId: string) => readonly Entry[],
): VehicleHealth {
  const logs = jobs.flatMap(({ id: jobId, number }) =>
    factsOf(bookOf(jobId), WarmUpLog).map(({ fact, entry }): LogOfVehicle => {
      const { checks } = fact;
      return {
        jobId,
        number,
        logId: fact.logId,
        log: fact.log,
        at: entry.at,
        ...(fact.restedH !== undefined && { restedH: fact.restedH }),
        isSound:
          checks.thermostat?.verdict === "pass" &&
          checks.fanOn?.verdict === "pass" &&
          Object.values(checks).every(({ verdict }) => verdict !== "fail"),
      };
    }),
  );
  const reads = jobs.flatMap(({ id: jobId, number }) =>
    factsOf(bookOf(jobId), HealthRead).map(({ fact, entry }): HealthOfVehicle => {
      const { logId, againstLogId, againstDay, figures, leastShare } = fact;
      return {
        jobId,
        number,
        logId,
        at: entry.at,
        againstLogId,
        againstDay,
        figures,
        ...(leastShare !== undefined && { leastShare }),
      };
    }),
  );
  const radiator = partLives(jobs.map(({ id }) => ({ jobId: id, entries: bookOf(id) }))).find(
    ({ item, to }) => plainPart(item) === "radiator" && !to,
  );
  return { logs, reads, ...(radiator && { radiatorAt: radiator.from }) };
}

/** The same for the vehicle of a job. */
export async function readHealthOfJob(desk: Desk, jobId: string): Promise<VehicleHealth> {
  const { models, transaction } = desk;
  const job = isId(jobId) ? await models.Job.findOne({ where: { id: jobId }, transaction }) : null;
  if (!job) throw notFound("That job");
  const jobs = await models.Job.findAll({
    where: { vehicleId: job.vehicleId },
    attributes: ["id", "number"],
    order: [["openedAt", "ASC"]],
    raw: true,
    transaction,
  });
  const books = await readBooks(
    desk,
    jobs.map(({ id }) => id),
  );
  return healthOf(jobs, (id) => books.get(id) ?? []);
}
