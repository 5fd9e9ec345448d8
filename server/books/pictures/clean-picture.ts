import sharp from "sharp";
import { Refusal } from "../../desk/refusal.ts";

export interface CleanPicture {
  width: number;
  height: number;
  /** JPEG without place, device or time in it, at most 400 kB. */
  content: Buffer;
  /** The same for a list, at most 60 kB. */
  small: Buffer;
}

export const MOST_PICTURE_BYTES = 25_000_000;
const MOST_PIXELS = 40_000_000;
const MOST_SIDE = 16_000;
const LONGEST_S = 15;
/** No picture that is kept is larger. */
export const MOST_KEPT_BYTES = 400_000;
const KEPT_SMALL_BYTES = 60_000;
const SMALL_SIDE = 320;
/** Tried in this order until one is small enough. */
const SIZES = [
  { side: 1600, quality: 74 },
  { side: 1600, quality: 58 },
  { side: 1280, quality: 50 },
  { side: 960, quality: 40 },
  { side: 640, quality: 30 },
];

/** Told by what a file begins with, never by its name; vector files and films are none of them. */
const BEGINNINGS: { at: number; bytes: string }[] = [
  { at: 0, bytes: "\xff\xd8\xff" },
  { at: 0, bytes: "\x89PNG\r\n\x1a\n" },
  { at: 8, bytes: "WEBP" },
];

/** True for a picture that was kept before: a JPEG of that size, small enough, with nothing of a camera in it. */
export async function isKeptPicture(
  { content, small }: Pick<CleanPicture, "content" | "small">,
  width: number,
  height: number,
): Promise<boolean> {
  if (content.length > MOST_KEPT_BYTES || small.length > KEPT_SMALL_BYTES) return false;
  const [large, little] = await Promise.all(
    [content, small].map((bytes) =>
      open(bytes)
        .metadata()
        .catch(() => undefined),
    ),
  );
  const isClean = (each: typeof large) => each?.format === "jpeg" && !each.exif && !each.xmp && !each.iptc;
  return isClean(large) && isClean(little) && large?.width === width && large.height === height;
}

sharp.cache(false);
// A picture waits for another rather than both for the processor: other people's taps come first.
sharp.concurrency(1);

const no = (log: string, status = 422) => new Refusal({ status, message: log, fields: { picture: log } });

function open(bytes: Uint8Array) {
  return sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: "error", pages: 1, animated: false });
}

async function shrunk(bytes: Uint8Array, side: number, quality: number) {
  return open(bytes)
    .timeout({ seconds: LONGEST_S })
    .rotate()
    .resize(side, side, { fit: "inside", withoutEnlargement: true })
    .flatten({ background: "#ffffff" })
    .jpeg({ quality, mozjpeg: true })
    .toBuffer({ resolveWithObject: true });
}

/**
 * A picture as it is kept: turned upright, at most 1600 pixels a side and 400 kB, as JPEG, with nothing of where, when
 * and by which device it was taken. Takes JPEG, PNG and WebP, told by content. Refuses everything else, files over
 * 25 MB, pictures over 40 million pixels or 16,000 a side, and broken ones.
 */
export async function cleanPicture(bytes: Uint8Array): Promise<CleanPicture> {
  if (bytes.length > MOST_PICTURE_BYTES)
    throw no(
      `The picture is ${Math.round(bytes.length / 1e6)} MB; at most ${MOST_PICTURE_BYTES / 1e6} MB are taken.`,
      413,
    );
  const head = Buffer.from(bytes.subarray(0, 16)).toString("latin1");
  if (!BEGINNINGS.some(({ at, bytes: begin }) => head.startsWith(begin, at)))
    throw no("That is no picture: a JPEG, PNG or WebP is taken, whatever the file is called.", 415);
  // Its head alone is read: how large it says it is, before anything is unpacked.
  const { width = 0, height = 0 } = await sharp(bytes, { limitInputPixels: false })
    .metadata()
    .catch(() => ({ width: 0, height: 0 }));
  if (width > MOST_SIDE || height > MOST_SIDE || width * height > MOST_PIXELS)
    throw no(
      `The picture is ${width} × ${height} pixels; at most ${MOST_SIDE} a side and ${MOST_PIXELS / 1e6} million are taken.`,
    );
  if (width < 1 || height < 1) throw no("The picture is broken: it can't be read to its end.");
  try {
    const small = await shrunk(bytes, SMALL_SIDE, 60);
    for (const { side, quality } of SIZES) {
      const { data, info } = await shrunk(bytes, side, quality);
      if (data.length <= MOST_KEPT_BYTES && small.data.length <= KEPT_SMALL_BYTES)
        return { width: info.width, height: info.height, content: data, small: small.data };
    }
  } catch {
    throw no("The picture is broken: it can't be read to its end.");
  }
  throw no("The picture can't be made small enough to keep.");
}
