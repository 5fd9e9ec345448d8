import type { Readable } from "node:stream";
import { BOOK_PLACE, placeOf } from "../../archive/places.ts";
import { writeArchive } from "../../archive/write-archive.ts";
import type { AtDesk } from "../../database/connection.ts";
import { readLog } from "../logs/read-log.ts";
import { readPicture } from "../pictures/read-picture.ts";
import { exportJob } from "./export-job.ts";

/**
 * A whole job as a zip, however large: `job.json` as `docs/formats/job.schema.json` describes it, and each log and picture as a file
 * beside it. They never change, so each is read when its turn comes, in a transaction of its own.
 */
export async function jobArchive(at: AtDesk, jobId: string): Promise<{ number: number; content: Readable }> {
  const book = await at((desk) => exportJob(desk, jobId, { areBeside: true }));
  const { logs, pictures, job } = book;
  const content = writeArchive([
    { name: BOOK_PLACE, content: () => Buffer.from(`${JSON.stringify(book, null, 2)}\n`) },
    ...logs.map(({ id, bookedAt }) => ({
      name: placeOf.log(id),
      at: new Date(bookedAt),
      content: async () => Buffer.from((await at((desk) => readLog(desk, jobId, id))).bytes),
    })),
    ...pictures.flatMap(({ id, bookedAt }) =>
      (["content", "small"] as const).map((size) => ({
        name: size === "small" ? placeOf.small(id) : placeOf.picture(id),
        at: new Date(bookedAt),
        isPacked: true,
        content: () => at((desk) => readPicture(desk, jobId, id, size)),
      })),
    ),
  ]);
  return { number: job.number, content };
}
