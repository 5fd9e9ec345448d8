/** Byte order marks, and what they say a file is written in. */
const MARKS: { bytes: number[]; encoding: string }[] = [
  { bytes: [0xef, 0xbb, 0xbf], encoding: "utf-8" },
  { bytes: [0xff, 0xfe], encoding: "utf-16le" },
  { bytes: [0xfe, 0xff], encoding: "utf-16be" },
];
/** UTF-16 without a mark is known by its noughts: of plain text every second byte is one. */
const LOOK_AT_BYTES = 400;
const MANY = 0.3;

function zeroesAt(bytes: Uint8Array, offset: 0 | 1): number {
  const head = bytes.subarray(0, LOOK_AT_BYTES);
  let zeroes = 0;
  for (let i = offset; i < head.length; i += 2) if (head[i] === 0) zeroes++;
  return zeroes / Math.max(1, head.length / 2);
}

function encodingOf(bytes: Uint8Array): string | undefined {
  const marked = MARKS.find((mark) => mark.bytes.every((byte, index) => bytes[index] === byte));
  if (marked) return marked.encoding;
  if (zeroesAt(bytes, 1) > MANY && zeroesAt(bytes, 0) < MANY) return "utf-16le";
  if (zeroesAt(bytes, 0) > MANY && zeroesAt(bytes, 1) < MANY) return "utf-16be";
  return undefined;
}

/**
 * The text of a log as loggers write it: UTF-8 or UTF-16 with or without a byte order mark, else Latin-1 (as Windows
 * writes it). Throws nothing; what can't be decoded shows as replacement signs.
 */
export function decodeLog(bytes: Uint8Array): string {
  const encoding = encodingOf(bytes);
  if (encoding) return new TextDecoder(encoding).decode(bytes);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}
