import { createWriteStream } from "node:fs";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable, Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import type { ReadableStream } from "node:stream/web";
import busboy from "busboy";
import { asRefusal } from "../../server/database/as-refusal.ts";
import { Refusal } from "../../server/desk/refusal.ts";
import { MOST_PARTS, typeOf, unreadable, wrongType } from "./read-body.server.ts";

const ARCHIVE = "application/zip";
const MOST_ARCHIVE_BYTES = 2_000_000_000;
const MOST_FIELD_BYTES = 64_000;

/** Something to write into for as long as the work with it takes. */
async function withFolder<Result>(work: (folder: string) => Promise<Result>): Promise<Result> {
  const folder = await mkdtemp(join(tmpdir(), "posted-"));
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Counts what goes by, and lets no more than so much of it. */
const noMoreThan = (most: number) => {
  let bytes = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      const over = new Refusal({ status: 413, message: `That file is larger than ${most / 1e9} GB.` });
      done(bytes > most ? over : null, chunk);
    },
  });
};

const bodyOf = ({ body }: Request): Readable => {
  if (!body) throw unreadable();
  return Readable.fromWeb(body as ReadableStream);
};

/** What broke off on its way here can't be read; what there is no room for can be taken later. */
const refused = (error: unknown): never => {
  throw asRefusal(error) ?? unreadable();
};

/** A zip that is posted as it is, on disk for as long as the work with it takes: it may be larger than memory. */
export function withPostedArchive<Result>(
  request: Request,
  work: (path: string) => Promise<Result>,
): Promise<Result> {
  if (typeOf(request) !== ARCHIVE) throw wrongType("a zip");
  return withFolder(async (folder) => {
    const path = join(folder, "posted.zip");
    await pipeline(
      bodyOf(request),
      noMoreThan(MOST_ARCHIVE_BYTES),
      createWriteStream(path, { mode: 0o600 }),
    ).catch(refused);
    return work(path);
  });
}

export interface Upload {
  /** What was sent beside the file. */
  form: FormData;
  /** Where the file of that name is, and how large; nothing where none came. */
  file: { path: string; bytes: number } | undefined;
}

/** The fields of a form, and its file of that name on disk: so many may send at once, and none is in memory while it waits. */
async function receive(request: Request, name: string, mostBytes: number, folder: string): Promise<Upload> {
  const form = new FormData();
  let file: Upload["file"];
  let trouble: Refusal | undefined;
  const written: Promise<void>[] = [];
  const parser = busboy({
    headers: { "content-type": request.headers.get("Content-Type") ?? "" },
    limits: { fields: MOST_PARTS, fieldSize: MOST_FIELD_BYTES, files: 1, fileSize: mostBytes + 1 },
  });
  parser.on("field", (field, value) => form.append(field, value));
  for (const limit of ["fieldsLimit", "filesLimit"] as const)
    parser.on(limit, () => {
      trouble = unreadable();
    });
  parser.on("file", (field, stream) => {
    if (field !== name) {
      stream.resume();
      return;
    }
    const told = { path: join(folder, "posted"), bytes: 0 };
    file = told;
    stream.on("data", (chunk: Buffer) => {
      told.bytes += chunk.length;
    });
    const writing = pipeline(stream, createWriteStream(told.path, { mode: 0o600 }));
    // Nobody waits for it before the rest has come: that ends with it.
    writing.catch((error: Error) => parser.destroy(error));
    written.push(writing);
  });
  await pipeline(bodyOf(request), parser);
  await Promise.all(written);
  if (trouble) throw trouble;
  return { form, file };
}

/**
 * A form with one file in it, which is on disk for as long as the work with it takes. Refuses other types of content and what is
 * no form; a file of more than `mostBytes` is cut there and told as larger.
 */
export function withUpload<Result>(
  request: Request,
  { name, mostBytes }: { name: string; mostBytes: number },
  work: (upload: Upload) => Promise<Result>,
): Promise<Result> {
  if (typeOf(request) !== "multipart/form-data") throw wrongType("a form");
  return withFolder(async (folder) => work(await receive(request, name, mostBytes, folder).catch(refused)));
}
