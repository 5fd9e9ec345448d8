import { readPicture } from "../../../server/books/pictures/read-picture.ts";
import { notFound } from "../../../server/desk/refusal.ts";
import { guarded } from "../../desk/guard.server.ts";

const SIZES = { "large.jpg": "content", "small.jpg": "small" } as const;

/** A booked picture, large or small. It never changes, so a browser keeps it; nobody else does. */
export const loader = guarded("desk", async ({ params, desk }) => {
  const { jobId = "", pictureId = "", file = "" } = params;
  const size = Object.hasOwn(SIZES, file) ? SIZES[file as keyof typeof SIZES] : undefined;
  if (!size) throw notFound("A file of that name");
  const bytes = await desk((given) => readPicture(given, jobId, pictureId, size));
  return new Response(new Uint8Array(bytes), {
    headers: {
      "Content-Type": "image/jpeg",
      "Cache-Control": "private, max-age=31536000, immutable",
      "X-Content-Type-Options": "nosniff",
    },
  });
});
