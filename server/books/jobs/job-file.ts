import type { Entry } from "../../../core/book/entry/index.ts";
import {
  entryTrouble,
  isMoment,
  lastFact,
  Signature,
  type WrittenEntry,
} from "../../../core/book/facts/index.ts";
import { unwritable } from "../../../core/kernel/text/index.ts";
import { type CoolingCard, readCard } from "../../../core/trade/car/index.ts";
import { isId } from "../../desk/is-id.ts";
import { Refusal } from "../../desk/refusal.ts";

/** Raised when the layout changes in a way a reader would notice; older ones are still read. */
export const JOB_FORMAT = "warm-ledger-job-2";
const READ_FORMATS = [JOB_FORMAT, "warm-ledger-job-1"];
const MOST_ENTRIES = 20_000;
/** Of each of them a job has some dozen; what a job holds can be read in again. */
const MOST_LOGS = 5000;
const MOST_PEOPLE = 500;
const MOST_PICTURES = 20_000;
/** Two shops' clocks may be this far apart. */
const CLOCKS_APART_MS = 300_000;
/** 400 kB and 60 kB as base64. */
const MOST_PICTURE_LETTERS = 533_336;
const MOST_SMALL_LETTERS = 80_000;

export interface LogFile {
  id: string;
  name: string;
  rows: number;
  sha256: string;
  bookedAt: string;
  bookedBy?: string;
  /** The log byte for byte, as base64; a file of the first format has none. */
  content?: string;
}

export interface PictureFile {
  id: string;
  width: number;
  height: number;
  /** Of the file as it was first handed in. */
  sha256: string;
  bookedAt: string;
  bookedBy: string;
  /** JPEG, as base64; where the file is an archive they stand beside it. */
  content?: string;
  small?: string;
}

/** A job file once it has been looked at: what reading in may rely on. */
export interface JobFile {
  exportedAt: string;
  /** Of the book's last line there, in hexadecimal digits; older files don't say. */
  lastHash?: string;
  shop: string;
  job: {
    id: string;
    number: number;
    bay: string;
    openedAt: string;
    openedBy: string;
    signedAt: string | null;
    signedBy: string | null;
    signReason: string | null;
  };
  vehicle: {
    id: string;
    plate: string;
    vin: string | null;
    name: string;
    use: string;
    distanceKm: number | null;
  };
  card: CoolingCard | null;
  people: Record<string, string>;
  entries: Entry[];
  logs: LogFile[];
  pictures: PictureFile[];
}

const no = (message: string) => new Refusal({ message: `This is no job file that can be read: ${message}` });

type Loose = Record<string, unknown>;
const isObject = (value: unknown): value is Loose =>
  Boolean(value) && typeof value === "object" && !Array.isArray(value);

function part(file: Loose, name: string): Loose {
  const value = file[name];
  if (!isObject(value)) throw no(`it has no ${name}.`);
  return value;
}

function text(value: unknown, what: string, most: number, least = 0): string {
  if (typeof value !== "string" || value.length < least || value.length > most || unwritable(value))
    throw no(`${what} is not a text of ${least} to ${most} letters.`);
  return value;
}

const orNull = <Value>(value: unknown, read: (value: unknown) => Value): Value | null =>
  value === null || value === undefined ? null : read(value);

function moment(value: unknown, what: string): string {
  if (!isMoment(value)) throw no(`${what} is no date and time.`);
  return value;
}

function id(value: unknown, what: string): string {
  if (typeof value !== "string" || !isId(value)) throw no(`${what} is no id.`);
  return value;
}

function number(value: unknown, what: string, least: number, most: number): number {
  if (typeof value !== "number" || !(value >= least && value <= most))
    throw no(`${what} is not a figure from ${least} to ${most}.`);
  return value;
}

function list(file: Loose, name: string, most: number): unknown[] {
  const value = file[name];
  if (!Array.isArray(value) || value.length > most) throw no(`${name} is not a list of at most ${most}.`);
  return value;
}

const OWN_FIELDS = ["jobId", "seq", "by"];

/** One line of the book; what a newer version says in it is kept as it is. */
function readEntry(value: unknown, index: number, jobId: string, known: Set<string>): Entry {
  const line = `line ${index + 1}`;
  if (!isObject(value)) throw no(`${line} is no entry.`);
  if (value.seq !== index + 1 || value.jobId !== jobId) throw no(`${line} is out of its place.`);
  const by = id(value.by, `who wrote ${line}`);
  const written = Object.fromEntries(Object.entries(value).filter(([name]) => !OWN_FIELDS.includes(name)));
  const fields = entryTrouble(written as unknown as WrittenEntry, { isKept: true });
  if (fields) throw no(`${line}: ${Object.values(fields).join(" ")}`);
  if (known.has(String(value.id))) throw no(`${line} has the id of another.`);
  if (value.corrects !== undefined && !known.has(String(value.corrects)))
    throw no(`${line} corrects nothing before it.`);
  known.add(String(value.id));
  return { ...(written as unknown as WrittenEntry), jobId, seq: index + 1, by };
}

function readLog(value: unknown): LogFile {
  if (!isObject(value)) throw no("a log is not as it should be.");
  return {
    id: id(value.id, "a log's id"),
    name: text(value.name, "a log's name", 200, 1),
    rows: number(value.rows, "a log's rows", 2, 1e8),
    sha256: text(value.sha256, "a log's sum", 64, 64),
    bookedAt: moment(value.bookedAt, "when a log was booked"),
    ...(value.bookedBy === undefined ? {} : { bookedBy: id(value.bookedBy, "who booked a log") }),
    ...(value.content === undefined ? {} : { content: text(value.content, "a log", 70_000_000) }),
  };
}

const BASE64 = /^[A-Za-z0-9+/]+={0,2}$/;
/** What a JPEG begins with, in base64. */
const JPEG_BEGINS = "/9j/";

function jpeg(value: unknown, most: number): string {
  const said = text(value, "a picture", most, 4);
  if (!said.startsWith(JPEG_BEGINS) || !BASE64.test(said)) throw no("a picture is none.");
  return said;
}

function readPicture(value: unknown, areBeside: boolean): PictureFile {
  if (!isObject(value)) throw no("a picture is not as it should be.");
  return {
    id: id(value.id, "a picture's id"),
    width: number(value.width, "a picture's width", 1, 4000),
    height: number(value.height, "a picture's height", 1, 4000),
    sha256: text(value.sha256, "a picture's sum", 64, 64),
    bookedAt: moment(value.bookedAt, "when a picture was booked"),
    bookedBy: id(value.bookedBy, "who booked a picture"),
    ...(areBeside
      ? {}
      : {
          content: jpeg(value.content, MOST_PICTURE_LETTERS),
          small: jpeg(value.small, MOST_SMALL_LETTERS),
        }),
  };
}

function readVehicle(vehicle: Loose): JobFile["vehicle"] {
  return {
    id: id(vehicle.id, "the vehicle's id"),
    plate: text(vehicle.plate, "the plate", 16, 1),
    vin: orNull(vehicle.vin, (vin) => text(vin, "the VIN", 17, 17)),
    name: text(vehicle.name, "the vehicle's name", 80),
    use: text(vehicle.use ?? "", "the vehicle's use", 80),
    distanceKm: orNull(vehicle.distanceKm, (km) => number(km, "the distance", 0, 5_000_000)),
  };
}

/** A core function's word about what is out of its range is said of the file. */
function inWords<Result>(work: () => Result): Result {
  try {
    return work();
  } catch (error) {
    throw error instanceof RangeError ? no(error.message) : error;
  }
}

/**
 * Looks a job file over; what can't be read is refused with the place. With `areBeside` its logs and pictures are files of an
 * archive and not in it. Files of the first format name who opened and
 * signed by their names alone: the ids are those of the people so called, the signer's that of the signature.
 */
export function readJobFile(input: unknown, now: Date, { areBeside = false } = {}): JobFile {
  if (!isObject(input)) throw no("it holds no job.");
  if (!READ_FORMATS.includes(String(input.format)))
    throw no(
      `its format is “${String(input.format).slice(0, 40)}”, and ${READ_FORMATS.join(" or ")} is wanted.`,
    );
  const job = part(input, "job");
  const jobId = id(job.id, "the job's id");
  const people = Object.entries(part(input, "people"));
  if (people.length > MOST_PEOPLE) throw no("it names too many people.");
  const known = new Set<string>();
  const entries = list(input, "entries", MOST_ENTRIES).map((each, index) =>
    readEntry(each, index, jobId, known),
  );
  const idOfName = (name: unknown) => people.find(([, each]) => each === name)?.[0];
  const signer = job.signedById ?? lastFact(entries, Signature)?.entry.by ?? idOfName(job.signedBy);
  if (job.signedAt && !signer) throw no("it doesn't say who signed it.");
  const openedAt = moment(job.openedAt, "when it was opened");
  const signedAt = orNull(job.signedAt, (at) => moment(at, "when it was signed"));
  if (signedAt && Date.parse(signedAt) < Date.parse(openedAt))
    throw no("it was signed before it was opened.");
  const latest = now.getTime() + CLOCKS_APART_MS;
  for (const [at, what] of [
    [openedAt, "opened"],
    [signedAt, "signed"],
  ] as const)
    if (at && Date.parse(at) > latest) throw no(`it says that it was ${what} in the future.`);
  return {
    exportedAt: moment(input.exportedAt, "when it was written"),
    ...(input.lastHash === undefined ? {} : { lastHash: text(input.lastHash, "its last hash", 64, 64) }),
    shop: text(input.shop ?? "another shop", "the shop's name", 80, 1),
    job: {
      id: jobId,
      number: number(job.number, "the job's number", 1, 1e9),
      bay: text(job.bay, "the bay", 40),
      openedAt,
      openedBy: id(job.openedById ?? idOfName(job.openedBy) ?? entries[0]?.by, "who opened it"),
      signedAt,
      signedBy: orNull(signer, (by) => id(by, "who signed it")),
      signReason: orNull(job.signReason, (reason) => text(reason, "the reason", 2000)),
    },
    vehicle: readVehicle(part(input, "vehicle")),
    card: orNull(input.card, (card) => inWords(() => readCard(isObject(card) ? card : {}))),
    people: Object.fromEntries(
      people.map(([key, name]) => [id(key, "a person's id"), text(name, "a name", 80, 1)]),
    ),
    entries,
    logs: list(input, "logs", MOST_LOGS).map(readLog),
    // Files from before there were pictures have no such list.
    pictures:
      input.pictures === undefined
        ? []
        : list(input, "pictures", MOST_PICTURES).map((each) => readPicture(each, areBeside)),
  };
}
