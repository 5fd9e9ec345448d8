import { createHash } from "node:crypto";
import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";
import { gzip } from "node:zlib";
import type { Archive } from "../../archive/open-archive.ts";
import { BOOK_PLACE, placeOf } from "../../archive/places.ts";
import { Refusal } from "../../desk/refusal.ts";
import { lane } from "../../threads/lane.ts";
import { type CleanPicture, isKeptPicture, MOST_KEPT_BYTES } from "../pictures/clean-picture.ts";
import { type JobFile, readJobFile } from "./job-file.ts";

const MOST_LOG_BYTES = 52_000_000;
const MOST_BOOK_BYTES = 50_000_000;
/** A few hundred kilobytes can say that they are a terabyte. */
const MOST_UNPACKED_BYTES = 4_000_000_000;
const compress = promisify(gzip);

type Pictured = Pick<CleanPicture, "content" | "small">;

/** A job file that has been looked through: what a transaction takes from it is ready, and as large as one log at a time. */
export interface JobToRead {
  file: JobFile;
  /** Gzipped, as it is kept; nothing where the file came without its logs. */
  packedLog: (id: string) => Promise<Buffer | undefined>;
  picture: (id: string) => Promise<Pictured>;
}

const nothing = (why: string) => new Refusal({ message: `${why} Nothing was read in.` });

async function logBytes(
  { id, content }: JobFile["logs"][number],
  archive?: Archive,
): Promise<Buffer | undefined> {
  if (content !== undefined) return Buffer.from(content, "base64");
  return archive?.names.has(placeOf.log(id)) ? archive.read(placeOf.log(id), MOST_LOG_BYTES) : undefined;
}

async function pictureBytes(
  { id, content, small }: JobFile["pictures"][number],
  archive?: Archive,
): Promise<Pictured> {
  if (!archive)
    return { content: Buffer.from(content ?? "", "base64"), small: Buffer.from(small ?? "", "base64") };
  return {
    content: await archive.read(placeOf.picture(id), MOST_KEPT_BYTES),
    small: await archive.read(placeOf.small(id), MOST_KEPT_BYTES),
  };
}

async function bookOf(archive: Archive): Promise<unknown> {
  const text = (await archive.read(BOOK_PLACE, MOST_BOOK_BYTES)).toString();
  try {
    return JSON.parse(text);
  } catch {
    throw nothing("That file's job.json is no JSON.");
  }
}

/** Each log and picture is looked at here, so that nothing but writing is left for the transaction. */
async function prepared(input: unknown, archive: Archive | undefined, folder: string): Promise<JobToRead> {
  if (archive && archive.bytes > MOST_UNPACKED_BYTES)
    throw nothing(`That file is more than ${MOST_UNPACKED_BYTES / 1e9} GB once it is unpacked.`);
  const file = readJobFile(archive ? await bookOf(archive) : input, new Date(), {
    areBeside: archive !== undefined,
  });
  const packed = new Set<string>();
  for (const log of file.logs) {
    const bytes = await logBytes(log, archive);
    if (!bytes) continue;
    if (createHash("sha256").update(bytes).digest("hex") !== log.sha256)
      throw nothing(`The log “${log.name}” is not what it was when the file was written.`);
    await writeFile(join(folder, log.id), await compress(bytes));
    packed.add(log.id);
  }
  const pictures = new Map(file.pictures.map((each) => [each.id, each]));
  for (const each of pictures.values())
    if (!(await isKeptPicture(await pictureBytes(each, archive), each.width, each.height)))
      throw nothing("A picture in the file is none that was kept here.");
  return {
    file,
    packedLog: async (id) => (packed.has(id) ? readFile(join(folder, id)) : undefined),
    picture: (id) => pictureBytes(pictures.get(id) as JobFile["pictures"][number], archive),
  };
}

const oneAtATime = lane({ name: "job files", atOnce: 1, mostWaiting: 10 });

/** Looks a job's file through and does something with it, one file at a time. */
export const withJobToRead = <Result>(
  input: unknown,
  archive: Archive | undefined,
  work: (given: JobToRead) => Promise<Result>,
): Promise<Result> =>
  oneAtATime(async () => {
    const folder = await mkdtemp(join(tmpdir(), "job-file-"));
    try {
      return await work(await prepared(input, archive, folder));
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  });
