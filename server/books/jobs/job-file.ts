import type { Entry } from "../../../core/book/entry/index.ts";
import {
  entryTrouble,
  isMoment,
  lastFact,
  Signature,
  type WrittenEntry,
} from "../../../core/book/facts/index.ts";
import { checkPlain, isPlain, type Plain } from "../../../core/kernel/plain/index.ts";
import { unwritable } from "../../../core/kernel/text/index.ts";
import { type CoolingCard, readCard } from "../../../core/trade/car/index.ts";
import { isId } from "../../desk/is-id.ts";
import { Refusal } from "../../desk/refusal.ts";
import { JobPart, LogPart, PicturePart, VehiclePart, WholePicturePart } from "./job-file-parts.ts";

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

export type LogFile = LogPart;
/** Where the file is an archive its pictures stand beside it. */
export type PictureFile = PicturePart & { content?: string; small?: string };

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

function part(file: Plain, name: string): Plain {
  const value = file[name];
  if (!isPlain(value)) throw no(`it has no ${name}.`);
  return value;
}

/** A part of the file by its class; what a newer version says in it beside that is left. */
function read<Part extends object>(kind: new () => Part, given: unknown, what: string): Part {
  const { value, fields } = checkPlain(kind, given, { mayHoldMore: true });
  if (fields) throw no(fields.form ? `${what} is not as it should be.` : (Object.values(fields)[0] ?? what));
  return value;
}

function text(value: unknown, what: string, most: number, least = 0): string {
  if (typeof value !== "string" || value.length < least || value.length > most || unwritable(value))
    throw no(`${what} is not a text of ${least} to ${most} letters.`);
  return value;
}

function id(value: unknown, what: string): string {
  if (typeof value !== "string" || !isId(value)) throw no(`${what} is no id.`);
  return value;
}

function list(file: Plain, name: string, most: number): unknown[] {
  const value = file[name];
  if (!Array.isArray(value) || value.length > most) throw no(`${name} is not a list of at most ${most}.`);
  return value;
}

const OWN_FIELDS = ["jobId", "seq", "by"];

/** One line of the book; what a newer version says in it is kept as it is. */
function readEntry(value: unknown, index: number, jobId: string, known: Set<string>): Entry {
  const line = `line ${index + 1}`;
  if (!isPlain(value)) throw no(`${line} is no entry.`);
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

function readVehicle(given: Plain): JobFile["vehicle"] {
  const { vin = null, use, distanceKm = null, ...rest } = read(VehiclePart, given, "the vehicle");
  return { ...rest, vin, use: use ?? "", distanceKm };
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
  if (!isPlain(input)) throw no("it holds no job.");
  if (!READ_FORMATS.includes(String(input.format)))
    throw no(
      `its format is “${String(input.format).slice(0, 40)}”, and ${READ_FORMATS.join(" or ")} is wanted.`,
    );
  const said = part(input, "job");
  const job = read(JobPart, said, "the job");
  const jobId = job.id;
  const people = Object.entries(part(input, "people"));
  if (people.length > MOST_PEOPLE) throw no("it names too many people.");
  const known = new Set<string>();
  const entries = list(input, "entries", MOST_ENTRIES).map((each, index) =>
    readEntry(each, index, jobId, known),
  );
  const idOfName = (name: unknown) => people.find(([, each]) => each === name)?.[0];
  const signer = said.signedById ?? lastFact(entries, Signature)?.entry.by ?? idOfName(said.signedBy);
  if (job.signedAt && !signer) throw no("it doesn't say who signed it.");
  const { openedAt, signedAt = null } = job;
  if (signedAt && Date.parse(signedAt) < Date.parse(openedAt))
    throw no("it was signed before it was opened.");
  const { exportedAt } = input;
  if (!isMoment(exportedAt)) throw no("when it was written is no date and time.");
  const latest = now.getTime() + CLOCKS_APART_MS;
  for (const [at, what] of [
    [openedAt, "opened"],
    [signedAt, "signed"],
  ] as const)
    if (at && Date.parse(at) > latest) throw no(`it says that it was ${what} in the future.`);
  return {
    exportedAt,
    ...(input.lastHash === undefined ? {} : { lastHash: text(input.lastHash, "its last hash", 64, 64) }),
    shop: text(input.shop ?? "another shop", "the shop's name", 80, 1),
    job: {
      id: jobId,
      number: job.number,
      bay: job.bay,
      openedAt,
      openedBy: id(said.openedById ?? idOfName(said.openedBy) ?? entries[0]?.by, "who opened it"),
      signedAt,
      signedBy: signer ? id(signer, "who signed it") : null,
      signReason: job.signReason ?? null,
    },
    vehicle: readVehicle(part(input, "vehicle")),
    card:
      input.card === null || input.card === undefined
        ? null
        : inWords(() => readCard(isPlain(input.card) ? input.card : {})),
    people: Object.fromEntries(
      people.map(([key, name]) => [id(key, "a person's id"), text(name, "a name", 80, 1)]),
    ),
    entries,
    logs: list(input, "logs", MOST_LOGS).map((each) => read(LogPart, each, "a log")),
    // Files from before there were pictures have no such list.
    pictures:
      input.pictures === undefined
        ? []
        : list(input, "pictures", MOST_PICTURES).map((each) =>
            read(areBeside ? PicturePart : WholePicturePart, each, "a picture"),
          ),
  };
}
