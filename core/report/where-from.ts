/** Where a job came from that was read in from a file. */
export interface WhereFrom {
  shop: string;
  number: number;
  /** When the file was written out, and when it was read in here; jobs from before that was kept have no second. */
  exportedAt: string;
  readInAt?: string;
  readInBy?: string;
  /** So many lines came with it: they were written there, in those people's hands. */
  lines: number;
}

/** In a few words, for lists: “read in from Pell Garage, job 12, 3 Nov 2026”. */
export const fromWords = (
  { shop, number, readInAt }: Pick<WhereFrom, "shop" | "number" | "readInAt">,
  dateOf: (iso: string) => string,
): string => `read in from ${shop}, job ${number}${readInAt ? `, ${dateOf(readInAt)}` : ""}`;

/** All of it, for a page or paper that somebody relies on. */
export function fromSentence(from: WhereFrom, dateOf: (iso: string) => string): string {
  const { lines, exportedAt, readInBy } = from;
  const here = readInBy ? `, by ${readInBy}` : "";
  const begins = `${fromWords(from, dateOf).replace("read", "Read")}${here}.`;
  if (lines === 0) return `${begins} Its book was empty; the file was written on ${dateOf(exportedAt)}.`;
  const whose = lines === 1 ? "Its first line was" : `Its first ${lines} lines were`;
  return `${begins} ${whose} written there, and the file on ${dateOf(exportedAt)}; nobody here has seen that they are true.`;
}
