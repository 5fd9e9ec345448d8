import type { Readable } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";

/** A zip as it is written, to be kept under a name. */
export const sendArchive = (content: Readable, name: string, bytes?: number): Response =>
  new Response(createReadableStreamFromReadable(content), {
    headers: {
      "Content-Type": "application/zip",
      "Content-Disposition": `attachment; filename="${name}"`,
      ...(bytes !== undefined && { "Content-Length": String(bytes) }),
    },
  });
