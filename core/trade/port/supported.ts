/** The requests that tell which values a car has: each its 32, the last bit that there are more. Source: ISO 15031-5, annex A. */
export const BLOCKS = [0x00, 0x20, 0x40, 0x60] as const;

/** The identifiers that the four bytes of a block name. */
export function supportedIn(block: number, bytes: readonly number[]): number[] {
  return Array.from({ length: 32 }, (_, bit) => block + bit + 1).filter(
    (pid) => (((bytes[(pid - block - 1) >> 3] ?? 0) >> (7 - ((pid - block - 1) & 7))) & 1) === 1,
  );
}

/** The four bytes by which a car says which of a block it has, and that there are more behind it. */
export function supportBytes(block: number, has: ReadonlySet<number>): number[] {
  const bytes = [0, 0, 0, 0];
  const isMore = [...has].some((pid) => pid > block + 32);
  for (let at = 0; at < 32; at++) {
    const isThere = has.has(block + at + 1) || (at === 31 && isMore);
    if (isThere) bytes[at >> 3] = (bytes[at >> 3] as number) | (1 << (7 - (at & 7)));
  }
  return bytes;
}
