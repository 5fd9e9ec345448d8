import type { Desk } from "../database/connection.ts";
import { notFound } from "../refusal.ts";
import { isId } from "../vehicles/is-id.ts";

/** A picture of a job as it is kept, or the small one for a list: JPEG. */
export async function readPicture(
  { models, transaction }: Desk,
  jobId: string,
  pictureId: string,
  size: "content" | "small",
): Promise<Buffer> {
  const row =
    isId(jobId) && isId(pictureId)
      ? await models.Picture.findOne({ where: { id: pictureId, jobId }, attributes: [size], transaction })
      : null;
  if (!row) throw notFound("That picture");
  return row[size];
}
