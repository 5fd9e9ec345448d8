import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound } from "../../desk/refusal.ts";

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
