import type { Stage } from "../../../core/book/entry/index.ts";
import { dataOf, Picture } from "../../../core/book/facts/index.ts";
import { unwritable } from "../../../core/kernel/text/index.ts";
import type { AtDesk, Desk } from "../../database/connection.ts";
import { bytesOf, type Given, sumOf } from "../../desk/given-bytes.ts";
import { Refusal } from "../../desk/refusal.ts";
import { recordEntries } from "../../entries/record-entries.ts";
import { jobToTake, refuseSigned, whileUnderWay } from "../../entries/under-way.ts";
import { lane } from "../../threads/lane.ts";
import { cleanPicture } from "./clean-picture.ts";

export interface NewPicture {
  /** Of the picture and of the line that books it. */
  id: string;
  /** What it shows, and where on the car. */
  words: string;
  place?: string;
  /** The line that it belongs to. */
  of?: string;
  stage: Stage;
  /** ISO 8601, when it was taken. */
  at: string;
  bytes: Given;
}

/** One at a time: other people's taps come first, and a tablet that sends a job's pictures sends them one by one. */
const cleaning = lane({ name: "pictures", atOnce: 1, mostWaiting: 60 });

/** A picture that is there is the same one sent again, or it is refused. */
async function isThere(
  { models, transaction }: Desk,
  jobId: string,
  id: string,
  sum: string,
): Promise<boolean> {
  const there = await models.Picture.findOne({
    where: { id },
    attributes: ["id", "jobId", "sha256"],
    transaction,
  });
  if (!there) return false;
  if (there.jobId === jobId && there.sha256 === sum) return true;
  const where = there.jobId === jobId ? "in this job already, another one" : "in another job's book";
  throw new Refusal({ status: 409, message: `A picture with that id is ${where}: this one is not booked.` });
}

/**
 * Keeps a picture, shrunk and cleaned, and books it. It is read in a lane of its own, in no transaction, so that nobody
 * waits for it. Refuses what is no picture, what is too large, and a signed job.
 */
export async function bookPicture(at: AtDesk, jobId: string, given: NewPicture): Promise<void> {
  const { id, words, place, of, stage, at: takenAt, bytes } = given;
  const sum = await sumOf(bytes);
  const isKnown = await at(async (desk) => {
    const { job } = await jobToTake(desk, jobId);
    if (await isThere(desk, jobId, id, sum)) return true;
    refuseSigned(job);
    return false;
  });
  if (isKnown) return;
  for (const [field, said] of Object.entries({ words, place })) {
    const letters = said && unwritable(said);
    if (letters) throw new Refusal({ message: letters, fields: { [field]: letters } });
  }
  await whileUnderWay(at, { jobId, id, what: "picture" }, async () => {
    const { width, height, content, small } = await cleaning(async () => cleanPicture(await bytesOf(bytes)));
    await at(async (desk) => {
      const { models, transaction, shopId, now } = desk;
      const { personId } = await jobToTake(desk, jobId, { lock: true });
      if (await isThere(desk, jobId, id, sum)) return;
      await models.Picture.create(
        {
          shopId,
          id,
          jobId,
          width,
          height,
          sha256: sum,
          content,
          small,
          createdBy: personId,
          createdAt: now,
        },
        { transaction },
      );
      await recordEntries(
        desk,
        jobId,
        [
          {
            id,
            at: takenAt,
            stage,
            kind: "note",
            item: "picture",
            ...(place ? { place } : {}),
            text: words,
            data: dataOf(Picture, { width, height, sha256: await sumOf(content), ...(of ? { of } : {}) }),
          },
        ],
        { byServer: true },
      );
    });
  });
}
