const LONGEST_SIDE = 1600;
const MOST_BYTES = 30_000_000;
const MOST_SIDE = 16_000;
const QUALITY = 0.82;

export type Shrunk = { bytes: Uint8Array<ArrayBuffer>; width: number; height: number } | { trouble: string };

/**
 * A picture as it is sent: JPEG of at most 1600 pixels a side, upright, without what a camera writes into it. Told by
 * what is in the file, not by its name; what the browser can't read as a picture is refused in words.
 */
export async function shrink(file: Blob): Promise<Shrunk> {
  if (file.size > MOST_BYTES)
    return {
      trouble: `That is ${Math.round(file.size / 1e6)} MB; at most ${MOST_BYTES / 1e6} MB are taken.`,
    };
  // A vector file is a program of its own: nothing of it is drawn.
  const image = /svg|xml/i.test(file.type) ? undefined : await createImageBitmap(file).catch(() => undefined);
  if (!image)
    return {
      trouble: "That is no picture, or it is broken: a JPEG, PNG or WebP is taken, whatever it is called.",
    };
  const { width, height } = image;
  try {
    if (width > MOST_SIDE || height > MOST_SIDE)
      return { trouble: `That is ${width} × ${height} pixels; at most ${MOST_SIDE} a side are taken.` };
    const share = Math.min(1, LONGEST_SIDE / Math.max(width, height));
    const canvas = document.createElement("canvas");
    canvas.width = Math.max(1, Math.round(width * share));
    canvas.height = Math.max(1, Math.round(height * share));
    const paper = canvas.getContext("2d");
    if (!paper) return { trouble: "This browser can't shrink pictures." };
    paper.fillStyle = "#ffffff";
    paper.fillRect(0, 0, canvas.width, canvas.height);
    paper.imageSmoothingQuality = "high";
    paper.drawImage(image, 0, 0, canvas.width, canvas.height);
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/jpeg", QUALITY));
    if (!blob) return { trouble: "This browser can't shrink that picture." };
    return { bytes: new Uint8Array(await blob.arrayBuffer()), width: canvas.width, height: canvas.height };
  } finally {
    image.close();
  }
}
