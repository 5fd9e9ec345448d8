import { PassThrough, Readable } from "node:stream";
import { ZipFile } from "yazl";

export interface Part {
  /** Its place in the archive, with slashes. */
  name: string;
  /** Asked for when everything before it has gone out; small things may be whole. */
  content: () => Buffer | Readable | Promise<Buffer | Readable>;
  /** For what is packed already, such as pictures. */
  isPacked?: boolean;
  at?: Date;
}

/** A zip of these parts, one after the other, each read no sooner than it is wanted: memory doesn't grow with it. */
export function writeArchive(parts: Iterable<Part>): Readable {
  const zip = new ZipFile();
  const out = new PassThrough();
  const fail = (error: unknown) =>
    out.destroy(error instanceof Error ? error : new Error("The archive could not be written."));
  zip.on("error", fail);
  for (const { name, content, isPacked = false, at } of parts)
    zip.addReadStreamLazy(name, { compress: !isPacked, ...(at && { mtime: at }) }, (give) => {
      Promise.resolve()
        .then(content)
        .then((said) => {
          const stream = Buffer.isBuffer(said) ? Readable.from([said]) : said;
          stream.on("error", fail);
          give(null, stream);
        }, fail);
    });
  zip.outputStream.pipe(out);
  zip.end();
  return out;
}
