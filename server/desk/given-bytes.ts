import { createHash } from "node:crypto";
import { createReadStream } from "node:fs";
import { readFile } from "node:fs/promises";
import { pipeline } from "node:stream/promises";

/** What somebody handed in: in memory, or in a file, which is read when its turn has come. */
export type Given = Uint8Array | { path: string };

export const bytesOf = async (given: Given): Promise<Uint8Array> =>
  given instanceof Uint8Array ? given : readFile(given.path);

/** SHA-256 in hexadecimal digits. */
export async function sumOf(given: Given): Promise<string> {
  const hash = createHash("sha256");
  if (given instanceof Uint8Array) return hash.update(given).digest("hex");
  await pipeline(createReadStream(given.path), hash);
  return hash.digest("hex");
}
