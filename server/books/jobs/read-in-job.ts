import { createHash } from "node:crypto";
import { v5 as uuid } from "uuid";
import type { Entry } from "../../../core/book/entry/index.ts";
import { Distance, lastFact, lifted } from "../../../core/book/facts/index.ts";
import type { Archive } from "../../archive/open-archive.ts";
import { alone } from "../../database/alone.ts";
import type { AtDesk, Desk } from "../../database/connection.ts";
import { Refusal } from "../../desk/refusal.ts";
import { countVerdict } from "../../entries/count-verdict.ts";
import { followPromises } from "../../entries/follow-promises.ts";
import { makePerson } from "../../subjects/people/by-function.ts";
import { nobodysSecret } from "../../subjects/people/secrets.ts";
import { addVehicle } from "../../subjects/vehicles/add-vehicle.ts";
import type { JobFile } from "./job-file.ts";
import { type JobToRead, withJobToRead } from "./job-to-read.ts";
import { giveNumberBack, takeNumber } from "./take-number.ts";

const READ_IN = "5c1f2a44-0a0e-4a4f-8d53-7f4f9e5b21c7";
const MOST_NAME_LETTERS = 80;
/** No statement holds the server or the database up for long. */
const LINES_AT_ONCE = 500;

const sumOf = (value: string) => createHash("sha256").update(value).digest("hex");
/** What makes two files the same job: not when they were written. */
const sumOfJob = ({ job, entries, logs }: JobFile) =>
  sumOf(JSON.stringify([job.signedAt, job.signReason, entries, logs.map(({ sha256 }) => sha256)]));

/** People of the other book who are nobody here stand in the books by name and never sign in. */
async function settlePeople(desk: Desk, { people, shop }: JobFile, wanted: ReadonlySet<string>) {
  const { models, transaction } = desk;
  const here = await models.Person.findAll({ attributes: ["id", "name"], transaction });
  const ids = new Set(here.map(({ id }) => id));
  const names = new Set(here.map(({ name }) => name));
  for (const id of wanted) {
    if (ids.has(id)) continue;
    const told = `${people[id] ?? "Somebody"} (${shop})`.slice(0, MOST_NAME_LETTERS);
    const name = names.has(told) ? `${told.slice(0, MOST_NAME_LETTERS - 9)} ${id.slice(0, 8)}` : told;
    names.add(name);
    const secret = await nobodysSecret();
    await makePerson(desk, {
      ...{ id, name, role: "technician", pinHash: secret, passwordHash: secret },
      isActive: false,
    });
  }
}

/** The vehicle is the one with that VIN, or that plate where the file knows none; where there is none, the file's own with its card. */
async function settleVehicle(desk: Desk, { vehicle, card }: JobFile, openedAt: string): Promise<string> {
  const { models, transaction } = desk;
  const there = await models.Vehicle.findOne({
    where: vehicle.vin ? { vin: vehicle.vin } : { plate: vehicle.plate },
    transaction,
  });
  if (there) return there.id;
  const taken = await models.Vehicle.findOne({ where: { id: vehicle.id }, transaction });
  const id = taken ? uuid(`${vehicle.vin ?? vehicle.plate}:${openedAt}`, READ_IN) : vehicle.id;
  await addVehicle(desk, { ...vehicle, id, card });
  return id;
}

async function refuseSecondOpenJob({ models, transaction }: Desk, vehicleId: string): Promise<void> {
  const open = await models.Job.findOne({ where: { vehicleId, signedAt: null }, transaction });
  if (open)
    throw new Refusal({
      status: 409,
      message: `Job ${open.number} is still open on that vehicle. Sign it first, then read this one in.`,
    });
}

/** New ids where this shop has the job already, so that a copy stands beside it; the file's own where it is a stranger. */
function renamed(
  { entries, logs, pictures, job }: JobFile,
  isCopy: boolean,
  jobId: string,
): Pick<JobFile, "entries" | "logs" | "pictures"> {
  if (!isCopy) return { entries: entries.map((entry) => ({ ...entry, jobId })), logs, pictures };
  const known = new Set([...entries.map(({ id }) => id), ...logs.map(({ id }) => id), job.id]);
  const fresh = (id: string) => (known.has(id) ? uuid(`${jobId}:${id}`, READ_IN) : id);
  const inData = (data: Entry["data"]) =>
    data &&
    Object.fromEntries(
      Object.entries(data).map(([name, value]) => [name, typeof value === "string" ? fresh(value) : value]),
    );
  return {
    logs: logs.map((log) => ({ ...log, id: fresh(log.id) })),
    pictures: pictures.map((picture) => ({ ...picture, id: fresh(picture.id) })),
    entries: entries.map((entry) => ({
      ...entry,
      jobId,
      id: fresh(entry.id),
      ...(entry.corrects ? { corrects: fresh(entry.corrects) } : {}),
      ...(entry.data ? { data: inData(entry.data) } : {}),
    })),
  };
}

async function keepLogs(
  { models, transaction, shopId }: Desk,
  jobId: string,
  { file, packedLog }: JobToRead,
  logs: JobFile["logs"],
) {
  for (const [index, log] of logs.entries()) {
    const content = await packedLog(file.logs[index]?.id ?? "");
    if (!content) continue;
    await models.Log.create(
      {
        shopId,
        id: log.id,
        jobId,
        name: log.name,
        rows: log.rows,
        sha256: log.sha256,
        content,
        createdBy: log.bookedBy ?? file.job.openedBy,
        createdAt: new Date(log.bookedAt),
      },
      { transaction },
    );
  }
}

async function keepPictures(
  { models, transaction, shopId }: Desk,
  jobId: string,
  { file, picture }: JobToRead,
  pictures: JobFile["pictures"],
) {
  for (const [index, { bookedBy, bookedAt, ...told }] of pictures.entries()) {
    const { content, small } = await picture(file.pictures[index]?.id ?? "");
    await models.Picture.create(
      {
        ...told,
        shopId,
        jobId,
        content,
        small,
        createdBy: bookedBy,
        createdAt: new Date(bookedAt),
      },
      { transaction },
    );
  }
}

/** An old job that is read in later takes no vehicle's distance back. */
async function raiseDistance(
  { models, transaction }: Desk,
  vehicleId: string,
  entries: readonly Entry[],
): Promise<void> {
  const km = lastFact(entries, Distance)?.entry.value;
  const vehicle = await models.Vehicle.findOne({ where: { id: vehicleId }, transaction });
  if (vehicle && km !== undefined && km > (vehicle.distanceKm ?? 0))
    await vehicle.update({ distanceKm: km }, { transaction });
}

export interface ReadIn {
  id: string;
  number: number;
  /** False where this very job had been read in before. */
  isNew: boolean;
}

/** Under which id a file's job stands here, and the job where it stands here already. Refuses one of which this shop has another. */
async function placeOf({ models, transaction, shopId }: Desk, file: JobFile, sha256: string) {
  const there = await models.Job.findOne({ where: { id: file.job.id }, transaction });
  const isCopy = there !== null && there.origin === null;
  const id = isCopy ? uuid(`${shopId}:${file.job.id}`, READ_IN) : file.job.id;
  const before = await models.Job.findOne({ where: { id }, transaction });
  if (before && before.origin?.sha256 !== sha256)
    throw new Refusal({
      status: 409,
      message: `Job ${before.number} was read in from this job before, and one of the two has changed since. It is not read in again.`,
    });
  return { id, isCopy, before: before && { id, number: before.number, isNew: false } };
}

async function keep(desk: Desk, given: JobToRead, sha256: string, number: number): Promise<ReadIn> {
  const { models, transaction, shopId, personId, now } = desk;
  const { file } = given;
  await alone(desk, "read-in");
  const { id, isCopy, before } = await placeOf(desk, file, sha256);
  if (before) return before;
  const by = [
    file.job.openedBy,
    file.job.signedBy,
    ...file.entries.map((entry) => entry.by),
    ...file.logs.map((log) => log.bookedBy),
    ...file.pictures.map((picture) => picture.bookedBy),
  ];
  await settlePeople(desk, file, new Set(by.flatMap((each) => each ?? [])));
  const vehicleId = await settleVehicle(desk, file, file.job.openedAt);
  if (!file.job.signedAt) await refuseSecondOpenJob(desk, vehicleId);
  const { entries, logs, pictures } = renamed(file, isCopy, id);
  const origin = {
    shop: file.shop,
    number: file.job.number,
    jobId: file.job.id,
    exportedAt: file.exportedAt,
    readInAt: now.toISOString(),
    ...(personId && { readInBy: personId }),
    ...(file.lastHash && { lastHash: file.lastHash }),
    sha256,
    people: Object.fromEntries(Object.entries(file.people).filter(([each]) => by.includes(each))),
  };
  const job = await models.Job.create(
    {
      shopId,
      id,
      number,
      vehicleId,
      openedBy: file.job.openedBy,
      assignedTo: null,
      bay: file.job.bay,
      openedAt: new Date(file.job.openedAt),
      linesReadIn: entries.length,
      origin,
    },
    { transaction },
  );
  for (let from = 0; from < entries.length; from += LINES_AT_ONCE)
    await models.Entry.bulkCreate(
      entries
        .slice(from, from + LINES_AT_ONCE)
        .map((entry) => ({ ...lifted(entry), shopId, at: new Date(entry.at) })),
      { transaction, returning: false },
    );
  await keepLogs(desk, id, given, logs);
  await keepPictures(desk, id, given, pictures);
  if (file.job.signedAt)
    await job.update(
      {
        signedAt: new Date(file.job.signedAt),
        signedBy: file.job.signedBy,
        signReason: file.job.signReason,
      },
      { transaction },
    );
  if (file.job.signedAt) await countVerdict(desk, job, entries);
  await followPromises(desk, job, entries);
  await raiseDistance(desk, vehicleId, entries);
  await models.Audit.create(
    {
      shopId,
      personId,
      what: "job read in",
      at: now,
      about: { jobId: id, from: origin.shop, number: origin.number },
    },
    { transaction },
  );
  return { id, number, isNew: true };
}

/**
 * Reads a whole job into this shop's books, under its next number and with where it came from: vehicle, people, book,
 * logs, signature. The same file twice is one job. What can't be read is refused, and nothing of it is kept. Takes the JSON
 * of a job, or an archive with its logs and pictures beside it.
 */
export const readInJob = (at: AtDesk, input: unknown, archive?: Archive): Promise<ReadIn> =>
  withJobToRead(input, archive, async (given) => {
    const sha256 = sumOfJob(given.file);
    const { before } = await at((desk) => placeOf(desk, given.file, sha256));
    if (before) return before;
    // In a transaction of its own: nobody's new job waits for twenty thousand lines.
    const number = await at(takeNumber);
    // One that is lost leaves a gap and nothing else: what went wrong before is what is told.
    const giveBack = () => at((desk) => giveNumberBack(desk, number)).catch(() => undefined);
    try {
      const job = await at((desk) => keep(desk, given, sha256, number));
      if (!job.isNew) await giveBack();
      return job;
    } catch (error) {
      await giveBack();
      throw error;
    }
  });
